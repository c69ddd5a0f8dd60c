/** The source of a pattern written over several lines, of which a longer one may be made. */
export const source = (...lines: readonly string[]): string => lines.join('')

/**
 * A long pattern written over several lines, which are joined with nothing between.
 *
 * @example pattern('i', 'first|', 'last').test('Last') // => true
 */
export const pattern = (flags: string, ...lines: readonly string[]): RegExp =>
  new RegExp(source(...lines), flags)

/**
 * The words of a text that lists them, over as many lines as it takes.
 *
 * @returns in order; `[]` for an empty text
 */
export const wordList = (text: string): string[] => text.split(/\s+/).filter(Boolean)
