import { withChanges } from '@tidy-reel/core/tidy/change'
import { TIDY_KINDS } from '@tidy-reel/core/tidy/kinds'
import { tidyChanges } from '@tidy-reel/core/tidy/tidy'
import { print } from './print.ts'
import { readScript } from './read-script.ts'

/** Prints a script with everything carried out that the tidy pass proposes, and what that was. */
export async function prepareCommand(file: string, { json }: { json?: boolean }) {
  const source = await readScript(file)
  const changes = tidyChanges(source)
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
