/** Who has not ended after this is ended: what is kept is on disk at every moment. */
const LAST_MS = 5_000

/**
 * Calls `stop` when the process is asked to end; asked a second time, or after a while, it ends at
 * once.
 *
 * The listeners stay: execa's own would otherwise take the process for unattended and end it before
 * `stop` has.
 */
export function onStopSignal(stop: () => void): () => void {
  let asked = false
  const hear = () => {
    if (asked) process.exit(130)
    asked = true
    setTimeout(() => process.exit(130), LAST_MS).unref()
    stop()
  }
  process.on('SIGINT', hear).on('SIGTERM', hear)
  return hear
}

/**
 * The same, and also when who started it is gone: programs that are started with a channel to
 * another one hear it close when that one is killed, which may be before this.
 */
export function onStopOrOrphaned(stop: () => void): void {
  // A log that cannot be written, on a full disk, is lost; the program is not.
  for (const log of [process.stdout, process.stderr]) log.on('error', () => undefined)
  const hear = onStopSignal(stop)
  const { connected } = process as { connected?: boolean }
  if (connected === false) hear()
  if (connected !== true) return
  process.once('disconnect', hear)
  process.channel?.unref()
}
