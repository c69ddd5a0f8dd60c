import { z } from 'zod'

/** A sound that a film can have. */
export const KnownSound = z.object({
  id: z.string(),
  title: z.string(),
  /** What it is found by, beside its title. */
  words: z.string(),
  /** It goes on as long as it is asked to, round after round; others are heard once. */
  goesOn: z.boolean(),
  seconds: z.number(),
  author: z.string(),
  licence: z.string(),
  /** Where it is from. */
  source: z.string(),
})
export type KnownSound = z.infer<typeof KnownSound>

/** A sound that can be played: what the mix needs to know of it, and the name it is fetched by. */
export const SoundFacts = KnownSound.extend({
  hash: z.string(),
  /** Of one round, or of the whole. */
  loopSamples: z.number(),
  /** Of the whole; of what is heard once, of the loudest 0.4 s of it, LUFS. */
  lufs: z.number(),
  /** As `BedLevels` has them. */
  levels: z.array(z.number()),
})
export type SoundFacts = z.infer<typeof SoundFacts>
