import { z } from 'zod'
import { MOODS, OwnMusicId } from '../../../style/film-choices.ts'

/** What music is for in a film. */
export const PURPOSES = ['opening', 'story', 'explanation', 'tension', 'ending'] as const
export type Purpose = (typeof PURPOSES)[number]

/** Music that a person has brought. */
export const OwnMusic = z.object({
  id: OwnMusicId,
  title: z.string(),
  /** What it is found by, beside its title. */
  words: z.string(),
  mood: z.enum(MOODS).exclude(['none']).nullable(),
  purpose: z.enum(PURPOSES).nullable(),
  seconds: z.number(),
  /** Beats a minute; null where none is heard. */
  tempo: z.number().nullable(),
  bars: z.number(),
  author: z.string(),
  licence: z.string(),
  /** How it is to be credited; empty where it need not be. */
  credit: z.string(),
})
export type OwnMusic = z.infer<typeof OwnMusic>
