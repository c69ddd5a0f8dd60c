import { cpus } from 'node:os'
import pLimit from 'p-limit'
import { TidyError } from '@tidy-reel/core/fault'
import { takeOf, type Take, type TakeRequest } from './take.ts'

/** A take, or why there is none. */
export type Spoken = { take: Take } | { fault: TidyError }

/**
 * Speaks many sentences, as many at once as there are cores. One that cannot be spoken does not stop the others.
 *
 * @param requests undefined where nothing is to be spoken
 * @param onSpoken called with the index of each sentence as soon as it is there
 * @throws TidyError `cancelled`, `program_missing`, `disk_full`: nothing more can be spoken then
 */
export async function takeAll(folder: string, requests: readonly (TakeRequest | undefined)[], options: { signal?: AbortSignal; onSpoken?: (index: number, spoken: Spoken) => void } = {}): Promise<(Spoken | undefined)[]> {
  const limit = pLimit(Math.max(1, cpus().length))
  return Promise.all(
    requests.map((request, i) =>
      limit(async (): Promise<Spoken | undefined> => {
        if (!request) return undefined
        options.signal?.throwIfAborted()
        const spoken = await speakOne(folder, request, options.signal)
        options.onSpoken?.(i, spoken)
        return spoken
      }),
    ),
  )
}

async function speakOne(folder: string, request: TakeRequest, signal?: AbortSignal): Promise<Spoken> {
  try {
    return { take: await takeOf(folder, request, signal) }
  } catch (cause) {
    if (cause instanceof TidyError && (cause.code === 'voice_silent' || cause.code === 'program_failed')) return { fault: cause }
    throw cause
  }
}
