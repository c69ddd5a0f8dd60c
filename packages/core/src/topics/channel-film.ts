import { z } from 'zod'

/** A film of some channel, as its statistics have it at one moment. */
export const ChannelFilm = z.object({
  id: z.string().min(1).max(200),
  title: z.string().trim().min(1).max(300),
  /** ISO 8601. */
  published: z.iso.datetime({ offset: true }),
  views: z.number().int().min(0).max(1e12),
  /** Length; 0 where it is not known. */
  seconds: z.number().min(0).max(360_000),
})
export type ChannelFilm = z.infer<typeof ChannelFilm>

export const FILMS_LIMIT = 20_000
