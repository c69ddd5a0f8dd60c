import Papa from 'papaparse'

/** A row of a list by the names of its columns; what the list lacks is left out. */
export type NamedRow<K extends string> = Partial<Record<K, unknown>>

/**
 * What each column may be called, as spreadsheets and other programs have it; underscores count as
 * spaces.
 */
export type ColumnNames<K extends string> = Readonly<Record<K, RegExp>>

/**
 * The rows of a list: CSV with any of the usual separators, or JSON (a list, or an object that has
 * one).
 *
 * @param needed columns a CSV must have
 * @param refuse makes the fault for a text that is no such list
 * @returns one a row, in order; `[]` for an empty JSON list
 * @throws what `refuse` makes
 */
export function namedRows<K extends string>(
  text: string,
  columns: ColumnNames<K>,
  needed: readonly K[],
  refuse: (reason: string) => Error,
): NamedRow<K>[] {
  return /^\s*[[{]/.test(text)
    ? jsonRows(text, columns, refuse)
    : csvRows(text, columns, needed, refuse)
}

function jsonRows<K extends string>(
  text: string,
  columns: ColumnNames<K>,
  refuse: (reason: string) => Error,
): NamedRow<K>[] {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw refuse('it is not JSON to its end')
  }
  const list = Array.isArray(value) ? value : Object.values(value as object).find(Array.isArray)
  if (!list) throw refuse('there is no list in it')
  return (list as unknown[]).map((entry) =>
    entry && typeof entry === 'object' ? named(entry as Record<string, unknown>, columns) : {},
  )
}

function csvRows<K extends string>(
  text: string,
  columns: ColumnNames<K>,
  needed: readonly K[],
  refuse: (reason: string) => Error,
): NamedRow<K>[] {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  })
  const fields = meta.fields ?? []
  if (fields.length < 2)
    throw refuse(
      'its columns cannot be told apart. Save it with commas, semicolons or tabs between them',
    )
  const missing = needed.filter(
    (column) => !fields.some((field) => columns[column].test(plain(field))),
  )
  if (missing.length) throw refuse(`no column is called ${missing.join(' or ')}`)
  return data.map((row) => named(row, columns))
}

const plain = (field: string) => field.trim().replace(/_/g, ' ')

function named<K extends string>(
  entry: Record<string, unknown>,
  columns: ColumnNames<K>,
): NamedRow<K> {
  const row: NamedRow<K> = {}
  for (const [key, value] of Object.entries(entry)) {
    const column = (Object.keys(columns) as K[]).find((known) => columns[known].test(plain(key)))
    if (column && row[column] === undefined) row[column] = value
  }
  return row
}

/** A value of a list as text; a list or an object inside a value is none. */
export const cellText = (value: unknown): string =>
  ['string', 'number', 'boolean', 'bigint'].includes(typeof value)
    ? (value as string | number).toString().trim()
    : ''

/** A row that could not be used, counted from 1. */
export interface SkippedRow {
  row: number
  reason: string
}

/**
 * What is made of the rows of a list, and which could not be used.
 *
 * @param make gives what a row says, or why it cannot be used
 * @param refuse makes the fault for a list of which no row can be used, or that is longer than
 *   `limit`
 * @throws what `refuse` makes, for a list of which nothing can be used too
 */
export function madeOfRows<R, T extends object>(
  rows: readonly R[],
  limit: number,
  make: (row: R) => T | string,
  refuse: (reason: string) => Error,
): { made: T[]; skipped: SkippedRow[] } {
  if (rows.length > limit) throw refuse(`it has ${rows.length} rows; ${limit} are read`)
  const made: T[] = []
  const skipped: SkippedRow[] = []
  rows.forEach((row, i) => {
    const one = make(row)
    if (typeof one === 'string') skipped.push({ row: i + 1, reason: one })
    else made.push(one)
  })
  if (!made.length)
    throw refuse(skipped[0] ? `in its first row ${skipped[0].reason}` : 'it is empty')
  return { made, skipped }
}
