/** Who has not ended after this is ended: what is kept is on disk at every moment. */
const LAST_MS = 5_000

/**
 * Calls `stop` when the process is asked to end, or who started it is gone; asked a second time, or
 * after a while, it ends at once.
 *
 * The listeners stay: execa's own would otherwise take the process for unattended and end it before
 * `stop` has.
 */
export function onStopSignal(stop: () => void): void {
  let asked = false
  const hear = () => {
    if (asked) process.exit(130)
    asked = true
    setTimeout(() => process.exit(130), LAST_MS).unref()
    stop()
  }
  process.on('SIGINT', hear).on('SIGTERM', hear)
  // Started with a channel: it closes when the other end is killed, which may be before this.
  const { connected } = process as { connected?: boolean }
  if (connected === false) hear()
  else if (connected) {
    process.once('disconnect', hear)
    process.channel?.unref()
  }
}
