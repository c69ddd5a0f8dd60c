import { TidyError } from '@tidy-reel/core/faults/fault'
import { clockText } from '@tidy-reel/core/time/time'
import { checkFolder } from '@tidy-reel/engine/check/check-folder'
import { print } from './print.ts'

/**
 * Prints what is wrong with a finished film, and what should be looked at.
 *
 * @throws TidyError `film_faulty` where something is wrong, and what `checkFolder` throws
 */
export async function checkCommand(folder: string, { json }: { json?: boolean }): Promise<void> {
  const findings = await checkFolder(folder)
  const lines = findings.map(({ grade, says, seconds, scene }) =>
    [
      grade === 'wrong' ? 'wrong' : 'look ',
      seconds === undefined ? '' : `${clockText(seconds)}${scene ? `, scene ${scene}` : ''}: `,
      says,
    ]
      .filter(Boolean)
      .join('  '),
  )
  print(json ? { findings } : lines.join('\n') || 'The film is what it should be.')
  const faults = findings.filter(({ grade }) => grade === 'wrong').length
  if (faults) throw new TidyError('film_faulty', { faults })
}
