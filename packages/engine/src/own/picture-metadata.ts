import { createRequire } from 'node:module'

// Its module for bundlers exports other names than the one for Node.
const exifr = createRequire(import.meta.url)('exifr') as {
  parse(file: string, options: object): Promise<Record<string, unknown> | undefined>
  sidecar(bytes: Buffer, options: object, kind: 'xmp'): Promise<Record<string, object> | undefined>
}

/** What a picture's own data say of it: EXIF, IPTC and XMP, inside it or beside it. */
export interface PictureMetadata {
  title?: string
  description?: string
  tags: string[]
  author?: string
  licence?: string
}

const TEXT_LIMIT = { title: 200, description: 2000, tag: 80, tags: 100 }
/** Of a sidecar, in bytes. */
export const SIDECAR_LIMIT = 1024 * 1024

/**
 * What a picture carries; nothing for one that carries nothing, or something that cannot be read.
 */
export async function metadataInside(file: string): Promise<PictureMetadata> {
  return describedBy(
    await exifr
      .parse(file, {
        xmp: true,
        iptc: true,
        tiff: true,
        exif: true,
        gps: false,
        icc: false,
        makerNote: false,
        mergeOutput: true,
      })
      .catch(() => undefined),
  )
}

/** What an XMP sidecar says; undefined for a file that is none. */
export async function metadataBeside(bytes: Buffer): Promise<PictureMetadata | undefined> {
  if (!/<(?:\w+:)?(?:xmpmeta|RDF)[\s>]/.test(bytes.subarray(0, 4096).toString('utf8')))
    return undefined
  const spaces = await exifr.sidecar(bytes, {}, 'xmp').catch(() => undefined)
  return spaces
    ? describedBy(Object.assign({}, ...Object.values(spaces)) as Record<string, unknown>)
    : undefined
}

/**
 * The names the standards give the fields, in the order they are believed: XMP Dublin Core, IPTC,
 * EXIF.
 */
function describedBy(fields: Record<string, unknown> = {}): PictureMetadata {
  const first = (limit: number, ...names: string[]) =>
    names
      .map((name) => textOf(fields[name]))
      .find(Boolean)
      ?.slice(0, limit)
  const list = (name: string) => [fields[name]].flat().map(textOf).filter(Boolean)
  const tags = [
    ...list('subject'),
    ...list('Keywords'),
    ...list('XPKeywords').flatMap((text) => text.split(';')),
  ]
  const title = first(TEXT_LIMIT.title, 'title', 'ObjectName', 'Headline', 'XPTitle')
  const description = first(TEXT_LIMIT.description, 'description', 'Caption', 'ImageDescription')
  const author = first(TEXT_LIMIT.title, 'creator', 'Byline', 'Artist')
  const licence = first(
    TEXT_LIMIT.title,
    'UsageTerms',
    'license',
    'WebStatement',
    'rights',
    'CopyrightNotice',
    'Copyright',
  )
  return {
    ...(title ? { title } : {}),
    ...(description && description !== title ? { description } : {}),
    ...(author ? { author } : {}),
    ...(licence ? { licence } : {}),
    tags: [
      ...new Set(tags.map((tag) => tag.trim().slice(0, TEXT_LIMIT.tag)).filter(Boolean)),
    ].slice(0, TEXT_LIMIT.tags),
  }
}

/** A field as text: XMP has the same in several languages, lists and values. */
function textOf(value: unknown): string {
  if (typeof value === 'string' || typeof value === 'number')
    return String(value)
      .replace(/[\p{Cc}\s]+/gu, ' ')
      .trim()
  if (Array.isArray(value)) return value.map(textOf).filter(Boolean).join(', ')
  return value && typeof value === 'object' && 'value' in value ? textOf(value.value) : ''
}
