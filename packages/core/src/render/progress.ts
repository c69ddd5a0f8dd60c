import { z } from 'zod'

/** The steps of making a film, in order; mixing runs beside fetching. */
export const STEPS = ['speak', 'mix', 'fetch', 'render', 'join', 'check'] as const
export type Step = (typeof STEPS)[number]

/** So much of a step is done: scenes, pictures or segments, 0 to `all`. */
export const Progress = z.object({ step: z.enum(STEPS), done: z.number(), all: z.number() })
export type Progress = z.infer<typeof Progress>

/**
 * Where in the whole each step lies, roughly: for one bar and one remaining time over all of them.
 */
const SPANS: Record<Step, [from: number, to: number]> = {
  speak: [0, 0.08],
  mix: [0.08, 0.09],
  fetch: [0.09, 0.5],
  render: [0.5, 0.93],
  join: [0.93, 0.95],
  check: [0.95, 1],
}

/** How much of a film is made, 0 to 1, over all of its steps. */
export function overallProgress({ step, done, all }: Progress): number {
  const [from, to] = SPANS[step]
  return from + (to - from) * (all > 0 ? done / all : 0)
}
