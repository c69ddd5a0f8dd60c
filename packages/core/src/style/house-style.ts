import { z } from 'zod'
import { Sign } from '../pictures/inlay.ts'
import { Lettering } from './lettering.ts'

/** What a film begins with, beside its lettering; what is left out is left as it is. */
export const FilmDefaults = z.object({
  voice: z.string().min(1).max(80).optional(),
  speed: z.number().min(0.5).max(2).optional(),
  pauses: z.number().min(0).max(3).optional(),
  mood: z.enum(['calm', 'warm', 'bright', 'solemn', 'none']).optional(),
  transition: z
    .object({ kind: z.enum(['cut', 'dissolve', 'dip']), samples: z.number().int().min(0) })
    .optional(),
  rhythm: z.enum(['calm', 'usual', 'brisk']).optional(),
  longest: z.number().min(2).max(30).optional(),
  /** How much is drawn without being asked for. */
  dial: z.enum(['none', 'few', 'some', 'many']).optional(),
})
export type FilmDefaults = z.infer<typeof FilmDefaults>

/** All that repeats from film to film. */
export const HouseStyle = z.object({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,60}$/),
  name: z.string().trim().min(1).max(80),
  /** Counted up with each change. */
  version: z.number().int().positive(),
  lettering: Lettering,
  /** The words of its cards; `{title}`, `{channel}` and `{next}` stand for the film's own. */
  cards: z.object({ opening: z.string().max(300), closing: z.string().max(300) }),
  /** The channel's mark on the picture; left out, there is none. */
  sign: Sign.optional(),
  film: FilmDefaults,
})
export type HouseStyle = z.infer<typeof HouseStyle>
