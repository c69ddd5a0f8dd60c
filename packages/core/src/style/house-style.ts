import { z } from 'zod'
import { Grade } from '../pictures/grade/grade.ts'
import { Sign } from '../pictures/inlay.ts'
import { Accents, DIALS, MakerStyle, Mixing, MOODS, RHYTHMS, Score } from './film-choices.ts'
import { Lettering } from './lettering.ts'
import { Transition } from './transition.ts'

/** What a film begins with, beside its lettering; what is left out is left as it is. */
export const FilmDefaults = z.object({
  voice: z.string().min(1).max(80).optional(),
  speed: z.number().min(0.5).max(2).optional(),
  pauses: z.number().min(0).max(3).optional(),
  mood: z.enum(MOODS).optional(),
  /** Who plays the music, and how. */
  score: Score.optional(),
  /** Sounds that come by themselves. */
  accents: Accents.optional(),
  /** Colours of all pictures. */
  grade: Grade.optional(),
  /** How far the music lies below the voice, and rises where nobody speaks. */
  below: Mixing.shape.below.optional(),
  rise: Mixing.shape.rise.optional(),
  lufs: Mixing.shape.lufs.optional(),
  transition: Transition.optional(),
  rhythm: z.enum(RHYTHMS).optional(),
  longest: z.number().min(2).max(30).optional(),
  /** How much is drawn without being asked for. */
  dial: z.enum(DIALS).optional(),
  /** What made pictures look like. */
  made: MakerStyle.optional(),
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
  /**
   * What a film's files are called, with `{title}`, `{channel}`, `{date}` and `{size}`; left out,
   * after its title.
   */
  files: z.string().trim().min(1).max(120).optional(),
  /** The channel's mark on the picture; left out, there is none. */
  sign: Sign.optional(),
  film: FilmDefaults,
})
export type HouseStyle = z.infer<typeof HouseStyle>
