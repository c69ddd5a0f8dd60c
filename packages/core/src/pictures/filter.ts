import { z } from 'zod'
import type { Item } from './item.ts'
import { licenceFacts } from './licences.ts'
import { COLOURS, type Look } from './look.ts'
import { showsPeople } from './people.ts'

export const ORIGINS = ['stock', 'own', 'made'] as const
export type Origin = (typeof ORIGINS)[number]

/**
 * Where a picture comes from, by its id.
 *
 * @example originOf('own-3f-2') // => 'own'
 */
export function originOf(id: string): Origin {
  if (id.startsWith('own-')) return 'own'
  return id.startsWith('made-') ? 'made' : 'stock'
}

/** Lines a picture must have at least, for each name of a size. */
export const SIZES = { hd: 1080, large: 2160 } as const

/** What a picture must be to be shown; what is left out does not matter. */
export const PictureFilter = z
  .object({
    kind: z.enum(['clip', 'photo', 'made']),
    orientation: z.enum(['landscape', 'portrait', 'square']),
    size: z.enum(['hd', 'large']),
    /** Seconds a clip must last at least. */
    seconds: z.coerce.number().positive().max(3600),
    origin: z.enum(ORIGINS),
    source: z.string().trim().min(1).max(200),
    /** `free` asks for nothing, `credit` for a credit at most, `usable` lets it be used somehow. */
    licence: z.enum(['free', 'credit', 'usable']),
    people: z.enum(['with', 'without']),
    colour: z.enum(COLOURS),
  })
  .partial()
export type PictureFilter = z.infer<typeof PictureFilter>

/** Uses a licence may ask for, by what a filter wants. */
export const ALLOWED = {
  free: ['free'],
  credit: ['free', 'credit'],
  usable: ['free', 'credit', 'share'],
} as const

/**
 * Whether a picture is what is wanted.
 *
 * @param look what was seen of it; without it, it has no colour
 */
export function passes(item: Item, filter: PictureFilter, look?: Look): boolean {
  const { kind, orientation, size, seconds, origin, source, licence, people, colour } = filter
  return (
    (!kind || (kind === 'made' ? originOf(item.id) === 'made' : item.kind === kind)) &&
    (!orientation || item.orientation === orientation) &&
    (!size || Math.min(item.width, item.height) >= SIZES[size]) &&
    (!seconds || item.kind !== 'clip' || (item.seconds ?? 0) >= seconds) &&
    (!origin || originOf(item.id) === origin) &&
    (!source || item.source.toLowerCase().includes(source.toLowerCase())) &&
    (!licence ||
      (ALLOWED[licence] as readonly string[]).includes(licenceFacts(item.licence).use)) &&
    (!people || showsPeople(item) === (people === 'with')) &&
    (!colour || !!look?.colours.includes(colour))
  )
}
