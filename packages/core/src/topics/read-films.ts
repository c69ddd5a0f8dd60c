import { itemAt } from '../faults/certain.ts'
import { TidyError } from '../faults/fault.ts'
import { shortHash } from '../text/hash.ts'
import {
  cellText,
  type ColumnNames,
  madeOfRows,
  type NamedRow,
  namedRows,
  type SkippedRow,
} from '../text/named-rows.ts'
import { pattern } from '../text/pattern.ts'
import { cutText } from '../text/well-formed.ts'
import { ChannelFilm, FILMS_LIMIT } from './channel-film.ts'

export interface ReadFilms {
  films: ChannelFilm[]
  /** Rows that could not be used, each with the reason. */
  skipped: SkippedRow[]
}

/** What a column may be called, as spreadsheets and statistics have it. */
const COLUMNS: ColumnNames<keyof ChannelFilm> = {
  id: /^(?:id|video ?id|film ?id)$/i,
  title: /^(?:title|video ?title|film|name|video)$/i,
  published: pattern(
    'i',
    String.raw`^(?:published(?: ?at)?|publish(?:ed)? ?(?:date|time)|date|upload(?:ed)?(?: ?date)?|`,
    String.raw`video publish time)$`,
  ),
  views: /^(?:views?|view ?count|plays)$/i,
  seconds:
    /^(?:length|duration|seconds|length ?\(?(?:s|seconds)\)?|duration ?\(?(?:s|seconds)\)?)$/i,
}

/**
 * The films of a list: CSV with any of the usual separators, or JSON (a list, or one under
 * `films`).
 *
 * @throws TidyError `films_unreadable` when no row of it can be used
 */
export function readFilms(text: string, name: string): ReadFilms {
  const refuse = (reason: string) => new TidyError('films_unreadable', { name, reason })
  const rows = namedRows(text, COLUMNS, ['title', 'published', 'views'], refuse)
  const { made, skipped } = madeOfRows(rows, FILMS_LIMIT, filmOf, refuse)
  return { films: made, skipped }
}

type Row = NamedRow<keyof ChannelFilm>

function filmOf(row: Row): ChannelFilm | string {
  const title = cellText(row.title)
  if (!title) return 'the title is missing'
  const published = instantOf(row.published)
  if (!published) return `"${cellText(row.published)}" is no date`
  const views = countOf(row.views)
  if (views === undefined) return `"${cellText(row.views)}" is no count of views`
  const id = cellText(row.id) || shortHash(`${title}|${published}`)
  const made = ChannelFilm.safeParse({
    id: cutText(id, 200),
    title: cutText(title, 300),
    published,
    views,
    seconds: secondsOf(row.seconds),
  })
  return made.success ? made.data : 'a value is out of all measure'
}

/**
 * 2024-03-12, 2024-03-12T10:00:00Z, 12 Mar 2024, 12.03.2024; of 03/04/2024 nobody can tell, so it
 * is refused.
 */
function instantOf(value: unknown): string | undefined {
  if (typeof value === 'number') return dateOf(value > 1e11 ? value : value * 1000)
  const text = cellText(value)
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text)
  const iso = dotted
    ? `${dotted[3]}-${itemAt(dotted, 2).padStart(2, '0')}-${itemAt(dotted, 1).padStart(2, '0')}`
    : text
  if (!/^\d{4}-\d\d?-\d\d?|^\d{1,2} \p{L}+ \d{4}|^\p{L}+ \d{1,2}, \d{4}/u.test(iso))
    return undefined
  return dateOf(
    Date.parse(
      /^\d{4}-\d\d-\d\d$/.test(iso) || /[zZ]|[+-]\d\d:?\d\d$|:/.test(iso) ? iso : `${iso} UTC`,
    ),
  )
}

/** Milliseconds since 1970 as ISO 8601; nothing for a time no calendar has. */
const dateOf = (time: number): string | undefined =>
  Number.isNaN(new Date(time).getTime()) ? undefined : new Date(time).toISOString()

/** "12,345", "12 345" and "1.2K" as numbers. */
function countOf(value: unknown): number | undefined {
  if (typeof value === 'number')
    return Number.isFinite(value) && value >= 0 ? Math.round(value) : undefined
  const found = /^(\d[\d,. \u00a0']*)\s*([kKmM])?$/.exec(cellText(value))
  if (!found) return undefined
  const scale = { k: 1e3, m: 1e6 }[found[2]?.toLowerCase() ?? ''] ?? 1
  const digits =
    scale === 1 ? itemAt(found, 1).replace(/\D/g, '') : itemAt(found, 1).replace(/[, \u00a0']/g, '')
  const count = Number(digits) * scale
  return Number.isFinite(count) ? Math.round(count) : undefined
}

/** 275, "4:35", "1:02:03" and "PT4M35S" (ISO 8601) in seconds; 0 for anything else. */
function secondsOf(value: unknown): number {
  if (typeof value === 'number') return Math.max(0, value)
  const text = cellText(value)
  const iso = /^PT(?:(\d+)H)?(?:(\d+)M)?(?:(\d+(?:\.\d+)?)S)?$/.exec(text)
  if (iso) return Number(iso[1] ?? 0) * 3600 + Number(iso[2] ?? 0) * 60 + Number(iso[3] ?? 0)
  if (/^\d+(:\d\d){1,2}$/.test(text))
    return text.split(':').reduce((sum, part) => sum * 60 + Number(part), 0)
  return /^\d+(\.\d+)?$/.test(text) ? Number(text) : 0
}
