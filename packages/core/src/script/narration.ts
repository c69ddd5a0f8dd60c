import type { ParsedScript } from './parse.ts'

/**
 * The script with everything that is not spoken blanked, letter positions kept.
 *
 * @returns as long as the script: what is not spoken is blanked, so that places stay
 */
export function narrationOnly(script: string, { scenes }: Pick<ParsedScript, 'scenes'>): string {
  let out = ''
  const blank = (text: string) => text.replace(/[^\n]/g, ' ')
  for (const { source, marked } of scenes) {
    // Scenes of one sentence overlap in nothing, but a direction may stand before its scene.
    out += blank(script.slice(out.length, source.from))
    for (const { from, to } of marked) {
      if (from < out.length || to > source.to) continue
      out += script.slice(out.length, from) + blank(script.slice(from, to))
    }
    out += script.slice(out.length, source.to)
  }
  return out + blank(script.slice(out.length))
}
