import { copyFile, mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { extname, join } from 'node:path'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { engineConfig, folders } from '@tidy-reel/engine/config'
import { makeBed } from '@tidy-reel/engine/sound/bed'
import { savedSound } from '@tidy-reel/engine/sound/saved-sound'
import { askedMood } from './asked-film.ts'
import { askedFormat } from './mix-command.ts'
import { print } from './print.ts'
import { written } from './written.ts'

export interface MusicFlags {
  mood: string
  seconds: string
  seed: string
  out: string
}

const LONGEST_SECONDS = 3600

/** A bed by itself: whole bars, at least as long as asked or, past three minutes, fit to loop. */
export async function musicCommand({ mood, seconds, seed, out }: MusicFlags): Promise<void> {
  const asked = askedMood(mood)
  if (asked === 'none')
    throw new TidyError('option_invalid', { option: '--mood', value: mood, wanted: 'some music' })
  const length = Number(seconds)
  if (!(length >= 1 && length <= LONGEST_SECONDS))
    throw new TidyError('option_invalid', {
      option: '--seconds',
      value: seconds,
      wanted: `a number from 1 to ${LONGEST_SECONDS}`,
    })
  const format = askedFormat(extname(out).slice(1).toLowerCase())
  const bed = await makeBed(folders(engineConfig()).beds, asked, length, seed)
  const work = await mkdtemp(join(tmpdir(), 'tidy-music-'))
  try {
    const made = join(work, `bed.${format}`)
    await savedSound(bed.file, made, format)
    await written(out, copyFile(made, out))
  } finally {
    await rm(work, { recursive: true, force: true })
  }
  const { loopSamples, lufs } = bed.levels
  print({ mood: asked, loopSeconds: loopSamples / SAMPLE_RATE, lufs })
}
