import { isFault } from '@tidy-reel/core/faults/fault'

/** What a service said of a stretch of a film: one answer a scene, and in words what did not come. */
export interface Part<Answer> {
  answers: (Answer | null)[]
  limits: string[]
}

/**
 * Asks for many scenes a stretch at a time. What came before a failure is kept and the failure told;
 * where nothing came at all, it is thrown.
 *
 * @param ask answers for scenes `[from, to)`; an empty one ends the asking
 * @returns one a scene, in order; null where nothing usable came
 */
export async function inParts<Answer>(
  count: number,
  atOnce: number,
  ask: (from: number, to: number) => Promise<Part<Answer>>,
  signal: AbortSignal,
): Promise<Part<Answer>> {
  const answers: (Answer | null)[] = []
  const limits: string[] = []
  for (let from = 0; from < count; from += atOnce) {
    const part = await ask(from, Math.min(count, from + atOnce)).catch((cause: unknown) => {
      if (from === 0 || signal.aborted || !isFault(cause)) throw cause
      return { answers: [], limits: [`From scene ${from + 1} on: ${cause.message}`] }
    })
    answers.push(...part.answers)
    limits.push(...part.limits)
    if (part.answers.length === 0) break
  }
  return { answers: Array.from({ length: count }, (_, i) => answers[i] ?? null), limits }
}
