import type { RenderProgress } from '../api.ts'

const SPANS: Record<RenderProgress['step'], [from: number, to: number]> = { speak: [0, 0.08], mix: [0.08, 0.09], fetch: [0.09, 0.5], render: [0.5, 0.97], join: [0.97, 1] }

/** How much of a render is done, 0 to 1, over all of its steps. */
export function share(progress: RenderProgress | null): number {
  if (!progress) return 0
  const [from, to] = SPANS[progress.step]
  return from + (to - from) * (progress.all > 0 ? progress.done / progress.all : 0)
}
