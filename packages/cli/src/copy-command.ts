import { join, resolve } from 'node:path'
import {
  COPY_KINDS,
  COPY_NAMES,
  type CopyKindName,
  copyName,
  CopyWish,
} from '@tidy-reel/core/export/copies'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { filmCopy } from '@tidy-reel/engine/copies/film-copy'
import { onStopSignal } from '@tidy-reel/engine/run/stop-signals'
import { print } from './print.ts'

export interface CopyFlags {
  as: string
  lines?: string
  from?: string
  to?: string
  megabytes?: string
  out?: string
}

/** Makes a copy of the film in a folder, of another kind; beside it where no place is given. */
export async function copyCommand(folder: string, flags: CopyFlags): Promise<void> {
  const wish = wishOf(flags)
  const out = resolve(flags.out ?? join(folder, copyName(wish)))
  const stop = new AbortController()
  onStopSignal(() => stop.abort(new TidyError('cancelled')))
  let told = -1
  const bytes = await filmCopy(join(folder, 'film.mp4'), wish, out, {
    signal: stop.signal,
    onProgress: (done) => {
      const tenths = Math.floor(done * 10)
      if (tenths > told) process.stderr.write(`copy ${tenths * 10} %\n`)
      told = Math.max(told, tenths)
    },
  })
  print({ file: out, bytes })
}

/** @throws TidyError `option_invalid` */
function wishOf({ as, lines, from, to, megabytes }: CopyFlags): CopyWish {
  const kind = COPY_NAMES.find((name): name is CopyKindName => name === as)
  if (!kind)
    throw new TidyError('option_invalid', {
      option: '--as',
      value: as,
      wanted: `one of ${Object.keys(COPY_KINDS).join(', ')}`,
    })
  const numbers = Object.fromEntries(
    Object.entries({ lines, from, to, megabytes }).flatMap(([name, value]) =>
      value === undefined ? [] : [[name, Number(value)]],
    ),
  )
  const read = CopyWish.safeParse({ kind, ...numbers })
  if (read.success) return read.data
  const [issue] = read.error.issues
  const option = issue?.path.length ? `--${issue.path.join('.')}` : '--as'
  throw new TidyError('option_invalid', {
    option,
    value: String({ as, lines, from, to, megabytes }[String(issue?.path[0] ?? 'as') as 'as']),
    wanted: issue?.code === 'custom' ? `so that ${issue.message}` : 'a number in its bounds',
  })
}
