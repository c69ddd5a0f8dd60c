/**
 * A long pattern written over several lines, which are joined with nothing between.
 *
 * @example pattern('i', 'first|', 'last').test('Last') // => true
 */
export const pattern = (flags: string, ...lines: readonly string[]): RegExp =>
  new RegExp(lines.join(''), flags)

/**
 * The words of a text that lists them, over as many lines as it takes.
 *
 * @returns in order; `[]` for an empty text
 */
export const wordList = (text: string): string[] => text.split(/\s+/).filter(Boolean)
