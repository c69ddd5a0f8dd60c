/**
 * Runs with a signal that ends when `signal` does or after so many milliseconds, whichever is
 * first.
 *
 * Not `AbortSignal.any` with `AbortSignal.timeout`: Node 20 lets go of a time-out that only such a
 * union holds, and then it never comes.
 */
export async function withTimeLimit<T>(
  limitMs: number,
  signal: AbortSignal | undefined,
  run: (signal: AbortSignal) => Promise<T>,
): Promise<T> {
  const either = new AbortController()
  const stop = () => either.abort(signal?.reason)
  const timer = setTimeout(
    () => either.abort(new DOMException('The time limit was reached.', 'TimeoutError')),
    limitMs,
  )
  if (signal?.aborted) stop()
  signal?.addEventListener('abort', stop, { once: true })
  try {
    return await run(either.signal)
  } finally {
    clearTimeout(timer)
    signal?.removeEventListener('abort', stop)
  }
}
