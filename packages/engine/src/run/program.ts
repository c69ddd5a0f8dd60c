import { execa, ExecaError } from 'execa'
import { TidyError } from '@tidy-reel/core/faults/fault'

/** The Debian package a program comes in, for the sentence that says what to type. */
const PACKAGES: Record<string, string> = {
  ffmpeg: 'ffmpeg',
  ffprobe: 'ffmpeg',
  flite: 'flite',
  'espeak-ng': 'espeak-ng',
  festival: 'festival festvox-us-slt-hts',
  fluidsynth: 'fluidsynth fluidr3mono-gm-soundfont',
}

export interface RunOptions {
  signal?: AbortSignal
  /** Written to its standard input, which is closed then. */
  input?: string | Uint8Array
  cwd?: string
  timeoutMs?: number
}

export interface Ran {
  stdout: Buffer
  stderr: string
}

/**
 * Runs a program without a shell and waits for its end.
 *
 * @throws TidyError `program_missing`, `program_failed` with its last words, `disk_full`,
 *   `cancelled`
 */
export async function runProgram(
  program: string,
  args: readonly string[],
  options: RunOptions = {},
): Promise<Ran> {
  try {
    const { stdout, stderr } = await execa(program, [...args], {
      encoding: 'buffer',
      maxBuffer: 512 * 1024 * 1024,
      timeout: options.timeoutMs ?? 600_000,
      ...(options.input === undefined ? { stdin: 'ignore' as const } : { input: options.input }),
      ...(options.cwd ? { cwd: options.cwd } : {}),
      ...(options.signal ? { cancelSignal: options.signal } : {}),
    })
    return { stdout: Buffer.from(stdout), stderr: Buffer.from(stderr).toString() }
  } catch (cause) {
    throw programFault(program, cause)
  }
}

/** What went wrong with a program, in our words. */
export function programFault(program: string, cause: unknown): unknown {
  if (!(cause instanceof ExecaError)) return cause
  if (cause.isCanceled) return new TidyError('cancelled')
  if (cause.code === 'ENOENT')
    return new TidyError('program_missing', { program, package: PACKAGES[program] ?? program })
  const stderr: unknown = cause.stderr
  const said =
    stderr instanceof Uint8Array
      ? Buffer.from(stderr).toString()
      : ((stderr as string | undefined) ?? '')
  if (/No space left on device/.test(said)) return new TidyError('disk_full')
  return new TidyError('program_failed', { program, reason: reasonOf(cause, said) })
}

/** Ended by a signal that we did not send. */
export const wasKilled = (cause: unknown): boolean =>
  cause instanceof ExecaError && cause.signal !== undefined && !cause.isCanceled && !cause.timedOut

/** Without the command line, which has paths of this machine. */
function reasonOf(cause: Pick<ExecaError, 'timedOut' | 'exitCode'>, said: string): string {
  if (cause.timedOut) return 'it took too long and was stopped'
  if (wasKilled(cause)) return 'it was ended from outside, or the machine ran out of memory'
  return lastWords(said) || `it ended with code ${cause.exitCode ?? 'none'}`
}

/** The last line a program said, without paths of this machine. */
export function lastWords(said: string): string {
  const line = said
    .trim()
    .split('\n')
    .filter((text) => text.trim() && !text.startsWith('Conversion failed'))
    .slice(-3)
    .join('; ')
  return line
    .replace(/(?:\/[\w.@-]+){2,}/g, (path) => path.slice(path.lastIndexOf('/') + 1))
    .slice(0, 300)
}
