/** The part of nspell that is used; it ships no types of its own. */
declare module 'nspell' {
  export interface NSpell {
    correct(word: string): boolean
    suggest(word: string): string[]
  }
  export default function nspell(dictionary: { aff: Uint8Array; dic: Uint8Array }): NSpell
}
