/** Spreadsheets skip blanks before the sign, and take the wide signs of East Asian type for it. */
const FORMULA = /^(?:[\s\p{Cc}\p{Cf}]*[=+\-@＝＋－＠]|[\t\r])/u

/**
 * A CSV field as RFC 4180 quotes it; one that a spreadsheet would run as a formula is opened with
 * an apostrophe.
 *
 * @example csvField('a,b') // => '"a,b"'
 */
export function csvField(value: string | number): string {
  const text = typeof value === 'string' && FORMULA.test(value) ? `'${value}` : String(value)
  return /[",\r\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text
}

/** A cell as it was before `csvField` opened it with an apostrophe. */
export const openedField = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell

/**
 * Rows as RFC 4180 has them.
 *
 * @returns lines ended by CR LF, the last one too
 */
export const csv = (rows: (string | number)[][]) =>
  rows.map((row) => row.map(csvField).join(',')).join('\r\n') + '\r\n'
