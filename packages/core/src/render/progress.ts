/** The steps of making a film, in order; mixing runs beside fetching. */
export type Step = 'speak' | 'mix' | 'fetch' | 'render' | 'join'

export interface Progress {
  step: Step
  done: number
  all: number
}

/** Where in the whole each step lies, roughly: for one bar and one remaining time over all of them. */
const SPANS: Record<Step, [from: number, to: number]> = {
  speak: [0, 0.08],
  mix: [0.08, 0.09],
  fetch: [0.09, 0.5],
  render: [0.5, 0.97],
  join: [0.97, 1],
}

/** How much of a film is made, 0 to 1, over all of its steps. */
export function overallProgress({ step, done, all }: Progress): number {
  const [from, to] = SPANS[step]
  return from + (to - from) * (all > 0 ? done / all : 0)
}
