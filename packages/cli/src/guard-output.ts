import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * Ends the program when its result cannot be written: silently when who reads it has gone
 * (`tidy-reel scenes … | head`), else with a sentence.
 */
export function guardOutput(): void {
  process.stdout.once('error', ({ code }: NodeJS.ErrnoException) => {
    if (code === 'EPIPE') process.exit(0)
    const fault = new TidyError(code === 'ENOSPC' ? 'disk_full' : 'unexpected')
    process.stderr.write(`${fault.message}\n`)
    process.exit(1)
  })
}
