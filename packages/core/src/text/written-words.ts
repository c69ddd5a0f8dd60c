/**
 * The words of a narration as they are timed and cut to: what stands between spaces, marks
 * included.
 *
 * @returns in order; `[]` for a text without any
 * @example wordsOf('It turns, slowly.') // => ['It', 'turns,', 'slowly.']
 */
export const wordsOf = (text: string): string[] => text.match(/\S+/g) ?? []
