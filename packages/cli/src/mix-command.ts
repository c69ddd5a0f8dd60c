import type { Document } from '@tidy-reel/core/document/document'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { engineConfig } from '@tidy-reel/engine/config'
import { makeMix } from '@tidy-reel/engine/make/make-mix'
import { onStopSignal } from '@tidy-reel/engine/run/stop-signals'
import { SOUND_FORMATS, type SoundFormat } from '@tidy-reel/engine/sound/saved-sound'
import { askedChoice } from './asked-choice.ts'
import { askedFilm, type FilmFlags } from './asked-film.ts'
import { outFolder } from './out-folder.ts'
import { print } from './print.ts'

export interface MixFlags extends FilmFlags {
  out: string
  format: string
  stems?: boolean
}

/** @throws TidyError `option_invalid` for a format that is none */
export const askedFormat = (format: string): SoundFormat =>
  askedChoice('--format', format, SOUND_FORMATS)

/** The sound of a film in a folder: the mix, and its stems where they are asked for. */
export async function mixCommand(written: Document, flags: MixFlags): Promise<void> {
  const format = askedFormat(flags.format)
  const config = engineConfig()
  const document = askedFilm(written, flags, config)
  const out = await outFolder(flags.out)
  const stop = new AbortController()
  onStopSignal(() => stop.abort(new TidyError('cancelled')))
  const { remarks, ...report } = await makeMix(
    document,
    out,
    { format, stems: !!flags.stems },
    { config, signal: stop.signal },
  )
  for (const remark of remarks) process.stderr.write(`${remark}\n`)
  print(report)
}
