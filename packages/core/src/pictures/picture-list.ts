import { z } from 'zod'
import { TidyError } from '../faults/fault.ts'
import { csv, openedField } from '../text/csv.ts'
import { defined } from '../text/defined.ts'
import {
  cellText,
  type ColumnNames,
  madeOfRows,
  type NamedRow,
  namedRows,
  type SkippedRow,
} from '../text/named-rows.ts'
import { cutText } from '../text/well-formed.ts'
import type { Item } from './item.ts'

/** The longest list of pictures that is read. */
export const PICTURE_LIST_LIMIT = 100_000

/** What a list says of one picture, named by its id or its file; what is left out is not said. */
export const PictureNote = z
  .object({
    id: z.string().min(1).max(200),
    file: z.string().min(1).max(300),
    title: z.string().min(1).max(500),
    description: z.string().min(1).max(5000),
    tags: z.array(z.string().min(1).max(80)).min(1).max(100),
    author: z.string().min(1).max(500),
    licence: z.string().min(1).max(500),
    people: z.boolean(),
  })
  .partial()
export type PictureNote = z.infer<typeof PictureNote>

type Column = keyof z.infer<typeof PictureNote>
const COLUMNS: ColumnNames<Column> = {
  id: /^(?:id|picture ?id)$/i,
  file: /^(?:file|file ?name|filename|path|source ?file|name)$/i,
  title: /^(?:title|headline|object ?name)$/i,
  description: /^(?:description|caption|caption-abstract|alt(?:ernative)? ?text)$/i,
  tags: /^(?:tags?|keywords?|subjects?|words)$/i,
  author: /^(?:author|creator|photographer|by-?line|artist|credit)$/i,
  licence: /^(?:licen[cs]e|rights|usage ?terms)$/i,
  people: /^(?:people|persons?|model ?release)$/i,
}

export interface ReadPictureList {
  notes: PictureNote[]
  /** Rows that name no picture or say nothing, counted from 1. */
  skipped: SkippedRow[]
}

/** Of a list of pictures or films, in bytes: some 200,000 rows. */
export const LIST_BYTES_LIMIT = 50 * 1024 * 1024

/**
 * What a list (CSV or JSON) says of pictures: each row names one by its file or its id.
 *
 * @throws TidyError `picture_list_unreadable` when no row of it can be used
 */
export function readPictureList(text: string, name: string): ReadPictureList {
  const refuse = (reason: string) =>
    new TidyError('picture_list_unreadable', { name: name.slice(0, 80), reason })
  const rows = namedRows(text, COLUMNS, [], refuse)
  const { made, skipped } = madeOfRows(rows, PICTURE_LIST_LIMIT, noteOf, refuse)
  return { notes: made, skipped }
}

/** The id goes before the name of a file; undefined where there is neither. */
function namedBy(id: string | undefined, file: string | undefined) {
  if (id) return { id }
  return file ? { file } : undefined
}

function noteOf(row: NamedRow<Column>): PictureNote | string {
  const text = (value: unknown, most: number) =>
    cutText(
      openedField(
        cellText(value)
          .toWellFormed()
          .replace(/[\p{Cc}\s]+/gu, ' ')
          .trim(),
      ),
      most,
    ) || undefined
  const [id, file] = [
    text(row.id, 200),
    text(row.file, 2000)?.split(/[\\/]/).filter(Boolean).at(-1)?.slice(0, 300),
  ]
  const named = namedBy(id, file)
  if (!named) return 'no file is named'
  const parts = Array.isArray(row.tags) ? row.tags : cellText(row.tags).split(/[,;|]/)
  const tags = [...new Set(parts.flatMap((part) => text(part, 80) ?? []))].slice(0, 100)
  const said = {
    title: text(row.title, 500),
    description: text(row.description, 5000),
    author: text(row.author, 500),
    licence: text(row.licence, 500),
    tags: tags.length ? tags : undefined,
    people: yesOrNo(cellText(row.people)),
  }
  const told = defined(said)
  if (!Object.keys(told).length) return 'nothing is said of the picture'
  return { ...named, ...told }
}

/** A picture of the library as a row of a list. */
export interface ListedPicture {
  item: Item
  fileName: string | null
  people: boolean
  favourite: boolean
  collections: readonly string[]
}

/**
 * Pictures as CSV that `readPictureList` reads back.
 *
 * @returns RFC 4180; the head alone for no pictures
 */
export const pictureList = (pictures: readonly ListedPicture[]): string =>
  csv([
    [
      'id',
      'file',
      'title',
      'description',
      'tags',
      'author',
      'licence',
      'people',
      'source',
      'link',
      'kind',
      'width',
      'height',
      'seconds',
      'favourite',
      'collections',
    ],
    ...pictures.map(({ item, fileName, people, favourite, collections }) => [
      item.id,
      fileName ?? '',
      item.title,
      item.description,
      item.tags.join('; '),
      item.author,
      item.licence,
      people ? 'yes' : 'no',
      item.source,
      item.link ?? '',
      item.kind,
      item.width,
      item.height,
      item.seconds ?? '',
      favourite ? 'yes' : 'no',
      collections.join('; '),
    ]),
  ])

/** Undefined for a cell that says neither. */
function yesOrNo(cell: string): boolean | undefined {
  if (/^(?:yes|true|1|y)$/i.test(cell)) return true
  return /^(?:no|false|0|n)$/i.test(cell) ? false : undefined
}
