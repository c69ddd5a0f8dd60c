/**
 * Characters that some reader takes for the end of a line, or for an order: controls (Unicode Cc,
 * NEL among them), line and paragraph separators.
 */
const BREAKS = /[\p{Cc}\p{Zl}\p{Zp}]+/gu

/**
 * A text as one line, for formats in which a line is a statement.
 *
 * @example oneLine('Light\r\nSTART=0') // => 'Light START=0'
 */
export const oneLine = (text: string): string => text.replace(BREAKS, ' ')

/** The same line by line: a line feed stays one, everything else that might be is a space. */
export const plainLines = (text: string): string => text.split('\n').map(oneLine).join('\n')
