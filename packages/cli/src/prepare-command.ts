import { withChanges } from '@tidy-reel/core/tidy/change'
import { asksFirst, TIDY_KINDS, unasked } from '@tidy-reel/core/tidy/kinds'
import { tidyChanges } from '@tidy-reel/core/tidy/tidy'
import { print } from './print.ts'
import { readScript } from './read-script.ts'

/**
 * Prints a script with everything carried out that the tidy pass proposes, and what that was; what
 * a person has to decide is told on standard error.
 */
export async function prepareCommand(file: string, { json }: { json?: boolean }) {
  const source = await readScript(file)
  const proposed = tidyChanges(source)
  const changes = unasked(proposed)
  for (const { kind, before, line } of proposed)
    if (asksFirst(kind))
      process.stderr.write(
        `line ${line}, ${TIDY_KINDS[kind].name}: ${oneLine(before)} (left: ${TIDY_KINDS[kind].why})\n`,
      )
  const script = withChanges(source, changes)
  if (json) {
    print({
      script,
      changes: changes.map(({ kind, before, after, line }) => ({
        kind,
        from: before,
        to: after,
        line,
      })),
    })
    return
  }
  for (const { kind, before, after, line } of changes)
    process.stderr.write(
      `line ${line}, ${TIDY_KINDS[kind].name}: ${oneLine(before)} → ${after === '' ? '(out)' : oneLine(after)}\n`,
    )
  print(script)
}

const oneLine = (text: string) => text.replace(/\s*\n\s*/g, ' ⏎ ')
