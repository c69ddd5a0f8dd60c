import { z } from 'zod'
import { SAMPLE_RATE } from '../time/time.ts'

export const TRANSITIONS = ['cut', 'dissolve', 'dip', 'push', 'slide', 'wipe'] as const
export type TransitionKind = (typeof TRANSITIONS)[number]

/** What a dip goes through; `paper` is the house style's. */
export const THROUGH = ['black', 'white', 'paper'] as const
export type Through = (typeof THROUGH)[number]

/** Where to the new picture moves, or the border of a wipe. */
export const WAYS = ['left', 'right', 'up', 'down'] as const
export type Way = (typeof WAYS)[number]

/** Shorter ones are not seen as such, longer ones are no cuts any more (common practice). */
export const TRANSITION_SECONDS = { least: 0.2, most: 3 }

/** Kinds in which something moves. */
export const MOVING = ['push', 'slide', 'wipe'] as const
export type MovingKind = (typeof MOVING)[number]
export const isMoving = (kind: TransitionKind): kind is MovingKind =>
  MOVING.some((one) => one === kind)

/**
 * How one picture gives way to the next; it begins at the cut and lasts so many samples, 0 for a
 * plain cut. Without `through` a dip goes through black, without `way` things move to the left.
 */
export const Transition = z
  .object({
    kind: z.enum(TRANSITIONS),
    samples: z
      .number()
      .int()
      .min(0)
      .max(TRANSITION_SECONDS.most * SAMPLE_RATE),
    through: z.enum(THROUGH).optional(),
    way: z.enum(WAYS).optional(),
  })
  .refine(
    ({ kind, samples }) => (kind === 'cut') === (samples === 0),
    'a cut takes no time and everything else some',
  )
  .refine(({ kind, through }) => kind === 'dip' || !through, 'only a dip goes through something')
  .refine(({ kind, way }) => isMoving(kind) || !way, 'only push, slide and wipe have a way')
export type Transition = z.infer<typeof Transition>
export const CUT: Transition = { kind: 'cut', samples: 0 }

/** A transition as it is drawn. */
export interface Passage extends Pick<Transition, 'through' | 'way'> {
  kind: Exclude<TransitionKind, 'cut'>
  frames: number
}

/**
 * What a dip goes through, `#rrggbb`.
 *
 * @param paper the house style's
 */
export function colourThrough(through: Through | undefined, paper: string): string {
  if (through === 'paper') return paper
  return through === 'white' ? '#ffffff' : BLACK
}
export const BLACK = '#000000'

/** How soft the border of a wipe is, in parts of the picture's length that way. */
export const WIPE_EDGE = 0.06

/**
 * How far something that moves has come: it sets in and comes to rest.
 *
 * @param share of the transition's time, 0 to 1
 * @returns 0 to 1
 */
export const passed = (share: number): number => share * share * (3 - 2 * share)
