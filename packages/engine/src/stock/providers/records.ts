import { z } from 'zod'
import { lastOf } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { Item, orientationOf } from '@tidy-reel/core/pictures/item'
import type { PictureProvider, StockQuery } from '../contract.ts'
import {
  FILE_BYTES_LIMIT,
  type Patience,
  providerHttp,
  THUMBNAIL_BYTES_LIMIT,
} from './provider-http.ts'

const Scan = z.object({
  href: z.string().min(1).max(2000),
  type: z.string().max(100).default(''),
  height: z.number().int().positive().max(20_000),
})

const PrintRecord = z.object({
  identifier: z.string().min(1).max(150),
  caption: z.string().max(500),
  subjects: z.string().max(5000).default(''),
  medium: z.enum(['print', 'film']),
  technique: z.string().max(300).default(''),
  maker: z.string().max(300).default(''),
  rights: z.string().max(500).nullish(),
  landing: z.string().max(2000).optional(),
  extent: z.object({
    width: z.number().int().positive(),
    height: z.number().int().positive(),
    duration: z.string().max(40).optional(),
  }),
  preview: Scan,
  files: z.array(Scan).min(1).max(50),
})
type PrintRecord = z.infer<typeof PrintRecord>

const Page = z.object({
  records: z.array(z.unknown()).max(1000),
  next: z.string().max(500).nullish(),
})

/** Of the licence addresses Creative Commons publishes, what people call them. */
const RIGHTS: readonly (readonly [pattern: RegExp, name: (found: RegExpExecArray) => string])[] = [
  [/creativecommons\.org\/publicdomain\/zero\/([\d.]+)/, ([, version]) => `CC0 ${version}`],
  [/creativecommons\.org\/publicdomain\/mark/, () => 'Public domain'],
  [
    /creativecommons\.org\/licenses\/([a-z-]+)\/([\d.]+)/,
    ([, kind, version]) => `CC ${kind!.toUpperCase()} ${version}`,
  ],
]

/** Pages that follow one another are walked to the one that is asked for; farther ones are not. */
const PAGES_WALKED = 12

/**
 * An archive that lists records one page after the other: the HTTP interface that `standins/prints`
 * describes.
 */
export function recordsProvider(
  address: string,
  patience: Partial<Patience> = {},
): PictureProvider {
  const http = providerHttp(address, patience)
  const invalid = () => new TidyError('stock_answer_invalid', { address })
  const page = async (body: object, signal?: AbortSignal) => {
    const read = Page.safeParse(
      await http.json(
        http.url('/api/records'),
        {
          method: 'POST',
          body: JSON.stringify(body),
          headers: { 'content-type': 'application/json' },
        },
        signal,
      ),
    )
    if (!read.success) throw invalid()
    return read.data
  }
  const record = async (id: string, signal?: AbortSignal) => {
    const read = PrintRecord.safeParse(
      await http.json(http.url(`/api/records/${encodeURIComponent(id)}`), {}, signal),
    )
    if (!read.success) throw invalid()
    return read.data
  }
  return {
    async search({ words, kind, orientation, page: wanted = 1, perPage = 24 }: StockQuery, signal) {
      const asked = {
        any: words.split(/\s+/).filter(Boolean),
        limit: perPage,
        ...(kind ? { medium: kind === 'clip' ? 'film' : 'print' } : {}),
      }
      let found = await page(asked, signal)
      for (let at = 1; at < wanted; at++) {
        if (!found.next || at > PAGES_WALKED) return []
        found = await page({ ...asked, after: found.next }, signal)
      }
      return found.records.flatMap((entry) => {
        const read = PrintRecord.safeParse(entry)
        const item = read.success ? Item.safeParse(itemOf(read.data)) : undefined
        return item?.success && (!orientation || item.data.orientation === orientation)
          ? [item.data]
          : []
      })
    },
    async download({ id, title }, height, out, signal) {
      const { files } = await record(id, signal)
      const rising = [...files].sort((a, b) => a.height - b.height)
      const scan = rising.find((each) => each.height >= height) ?? lastOf(rising)
      await http.file(linked(scan.href, title), title, FILE_BYTES_LIMIT, out, signal)
    },
    async thumbnail(id, out, signal) {
      const { preview, caption } = await record(id, signal)
      await http.file(linked(preview.href, caption), caption, THUMBNAIL_BYTES_LIMIT, out, signal)
    },
  }

  function linked(href: string, title: string): URL {
    const url = URL.canParse(href, address) ? new URL(href, address) : undefined
    if (url?.protocol !== 'https:' && url?.protocol !== 'http:')
      throw new TidyError('media_unusable', { title, reason: 'its link leads to no file' })
    return url
  }
}

function itemOf({
  identifier,
  caption,
  subjects,
  medium,
  technique,
  maker,
  rights,
  landing,
  extent: { width, height, duration },
}: PrintRecord): z.input<typeof Item> {
  return {
    id: identifier,
    kind: medium === 'film' ? 'clip' : 'photo',
    title: caption,
    description: technique && `${technique.charAt(0).toUpperCase()}${technique.slice(1)}.`,
    tags: subjects
      .split(/[;,]/)
      .map((tag) => tag.trim())
      .filter(Boolean)
      .slice(0, 200),
    width,
    height,
    seconds: medium === 'film' ? secondsOf(duration) : null,
    orientation: orientationOf({ width, height }),
    source: 'Harbour Prints',
    licence: licenceName(rights ?? ''),
    author: maker,
    ...(landing ? { link: landing } : {}),
  }
}

function licenceName(rights: string): string {
  for (const [pattern, name] of RIGHTS) {
    const found = pattern.exec(rights)
    if (found) return name(found)
  }
  return rights
}

/** Seconds of an ISO 8601 duration of hours, minutes and seconds; null for anything else. */
function secondsOf(duration = ''): number | null {
  const found = /^PT(?:(\d+)H)?(?:(\d+)M)?(?:(\d+(?:\.\d+)?)S)?$/.exec(duration)
  return found
    ? Number(found[1] ?? 0) * 3600 + Number(found[2] ?? 0) * 60 + Number(found[3] ?? 0) || null
    : null
}
