import { z } from 'zod'
import { itemAt } from '../faults/certain.ts'

/** A picture somebody offers: a clip or a photograph, with what is known of it. */
export const Item = z.object({
  id: z.string().min(1).max(200),
  kind: z.enum(['clip', 'photo']),
  title: z.string().max(500),
  description: z.string().max(5000).default(''),
  tags: z.array(z.string().max(200)).max(200).default([]),
  width: z.number().int().nonnegative().default(0),
  height: z.number().int().nonnegative().default(0),
  /** Length of a clip; null or 0 for a photograph. */
  seconds: z
    .number()
    .nonnegative()
    .nullish()
    .transform((s) => s || null),
  orientation: z.enum(['landscape', 'portrait', 'square']).default('landscape'),
  source: z.string().max(500).default(''),
  licence: z.string().max(500).default(''),
  author: z.string().max(500).default(''),
  /** Of its page, where it has one. */
  link: z
    .string()
    .max(2000)
    .regex(/^https?:\/\//)
    .optional()
    .catch(undefined),
})
export type Item = z.infer<typeof Item>
export type Orientation = Item['orientation']

/**
 * Whether a picture is the channel's own: a file somebody brought, or one that was made for it.
 *
 * @example isOurs('made-7') // => true
 */
export const isOurs = (id: string) => /^(?:own|made)-/.test(id)

/**
 * Where an item is from in short: of an address its host, else what stands before any addition.
 *
 * @example sourceName('https://www.archive.example/file/1') // => 'archive.example'
 * @example sourceName('Harbour Prints (scanned 1901)') // => 'Harbour Prints'
 */
export const sourceName = (source: string): string =>
  (/^https?:\/\/(?:www\.)?([^/:?#]+)/i.exec(source)?.[1] ?? itemAt(source.split(/[,(]/), 0)).trim()

/** What the document keeps of a chosen item, so that it can be credited without asking anyone. */
export const ChosenItem = Item.pick({
  id: true,
  kind: true,
  title: true,
  seconds: true,
  width: true,
  height: true,
  source: true,
  licence: true,
  author: true,
  link: true,
})
export type ChosenItem = z.infer<typeof ChosenItem>

/**
 * The shape of a picture of this size.
 *
 * @param size in pixels; 0 by 0, where nobody knows it, counts as square
 */
export function orientationOf({ width, height }: Pick<Item, 'width' | 'height'>): Orientation {
  if (width === height) return 'square'
  return width > height ? 'landscape' : 'portrait'
}

/**
 * A chosen picture as one that may be chosen again.
 *
 * @returns with nothing said of it: no description, no tags
 */
export const itemAgain = (item: ChosenItem): Item => ({
  ...item,
  description: '',
  tags: [],
  orientation: orientationOf(item),
})

/**
 * Of an item as a library describes it, what the document keeps.
 *
 * @returns null for none
 */
export const chosenItem = <T extends ChosenItem | null>(item: T): T =>
  item && (ChosenItem.parse(item) as T)
