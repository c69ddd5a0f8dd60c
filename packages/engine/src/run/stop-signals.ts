/**
 * Calls `stop` when the process is asked to end; asked a second time, it ends at once.
 *
 * The listeners stay: execa's own would otherwise take the process for unattended and end it before
 * `stop` has.
 */
export function onStopSignal(stop: () => void): void {
  let asked = false
  const hear = () => {
    if (asked) process.exit(130)
    asked = true
    stop()
  }
  process.on('SIGINT', hear).on('SIGTERM', hear)
}
