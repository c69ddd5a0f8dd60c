import { cpus } from 'node:os'
import pLimit from 'p-limit'
import type { FaultCode } from '@tidy-reel/core/faults/codes'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import type { TakeRequest } from '@tidy-reel/core/speech/take-request'
import { type SpeechPlace, type Take, takeOf } from './take.ts'

/** A take, and what went wrong before another voice stood in; or why there is none. */
export type Spoken = { take: Take; instead?: TidyError } | { fault: TidyError }

/** A sentence to be spoken, and the voice that may stand in when its own fails. */
export interface Part extends TakeRequest {
  understudy?: string
}

/** Faults of one sentence and its voice: all others end everything. */
const ONE_SENTENCE: readonly FaultCode[] = [
  'voice_silent',
  'voice_failed',
  'program_failed',
  'voice_unknown',
  'take_gone',
]

/**
 * Speaks many sentences, as many at once as there are cores. One that cannot be spoken does not
 * stop the others.
 *
 * @param parts undefined where nothing is to be spoken
 * @param first index of the sentence that is spoken before the others, then those after it
 * @param onSpoken called with the index of each sentence as soon as it is there
 * @throws TidyError `cancelled`, `program_missing`, `disk_full`: nothing more can be spoken then
 */
export async function takeAll(
  place: SpeechPlace,
  parts: readonly (Part | undefined)[],
  options: {
    signal?: AbortSignal
    first?: number
    onSpoken?: (index: number, spoken: Spoken) => void
  } = {},
): Promise<(Spoken | undefined)[]> {
  const limit = pLimit(Math.max(1, cpus().length))
  const results = new Array<Spoken | undefined>(parts.length)
  const first = Math.max(0, options.first ?? 0)
  const order = [...parts.keys()].map((i) => (i + first) % parts.length)
  await Promise.all(
    order.map((i) =>
      limit(async () => {
        const part = parts[i]
        if (!part) return
        options.signal?.throwIfAborted()
        const spoken = await speakOne(place, part, options.signal)
        options.onSpoken?.(i, spoken)
        results[i] = spoken
      }),
    ),
  )
  return results
}

async function speakOne(
  place: SpeechPlace,
  { understudy, ...request }: Part,
  signal?: AbortSignal,
): Promise<Spoken> {
  try {
    return { take: await takeOf(place, request, signal) }
  } catch (cause) {
    if (!isFault(cause) || !ONE_SENTENCE.includes(cause.code)) throw cause
    if (!understudy || understudy === request.voice) return { fault: cause }
    const second = await speakOne(place, { ...request, voice: understudy }, signal)
    return 'take' in second ? { take: second.take, instead: cause } : { fault: cause }
  }
}
