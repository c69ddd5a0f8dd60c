import { copyFile, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { extname, join } from 'node:path'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { type BedAsked, type BedPlan, bedPlan } from '@tidy-reel/core/film/music/bed-plan'
import { sectionNotes } from '@tidy-reel/core/film/music/section'
import { INSTRUMENTATIONS, MUSIC_PARTS, type MusicPart } from '@tidy-reel/core/style/film-choices'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { engineConfig, folders } from '@tidy-reel/engine/config'
import { bedAlone, makeBed } from '@tidy-reel/engine/sound/bed'
import { bedFile, bedMidi } from '@tidy-reel/engine/sound/music/bed-file'
import { savedSound } from '@tidy-reel/engine/sound/saved-sound'
import { askedChoice } from './asked-choice.ts'
import { askedMood } from './asked-film.ts'
import { askedFormat } from './mix-command.ts'
import { print } from './print.ts'
import { written } from './written.ts'

export interface MusicFlags {
  mood: string
  seconds: string
  seed: string
  out: string
  instruments?: string
  stems?: boolean
}

const LONGEST_SECONDS = 3600
/** What the last chord rings for, in seconds. */
const TAIL_SECONDS = 4

/** A bed by itself, as long as asked, with an ending; its parts and its notes beside it. */
export async function musicCommand(flags: MusicFlags): Promise<void> {
  const { asked, length } = checked(flags)
  const { out } = flags
  const format = askedFormat(extname(out).slice(1).toLowerCase())
  const samples = Math.round(length * SAMPLE_RATE)
  const film = {
    samples,
    chapters: [],
    spokenStart: samples,
    spokenEnd: Math.max(0, samples - TAIL_SECONDS * SAMPLE_RATE),
  }
  const work = await mkdtemp(join(tmpdir(), 'tidy-music-'))
  const save = async (without: readonly MusicPart[], to: string) => {
    const plan = bedPlan({ ...asked, without }, film)
    const music = bedAlone({ kind: 'made', mood: asked.mood, plan }, samples)
    const bed = await makeBed(folders(engineConfig()), music, { asMade: true })
    const whole = join(work, 'bed.wav')
    await bedFile(bed, samples, whole)
    const made = join(work, `saved.${format}`)
    await savedSound(whole, made, format)
    await written(to, copyFile(made, to))
    return bed
  }
  try {
    const { levels } = await save([], out)
    const stem = out.slice(0, out.length - extname(out).length)
    const plan = bedPlan(asked, film)
    const parts = flags.stems ? partsOf(plan) : []
    for (const part of parts)
      await save(
        MUSIC_PARTS.filter((other) => other !== part),
        `${stem}-${part}.${format}`,
      )
    if (flags.stems) await written(`${stem}.mid`, writeFile(`${stem}.mid`, bedMidi(plan)))
    print({ mood: asked.mood, tempo: plan.tempo, seconds: length, lufs: levels.lufs, parts })
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

function checked({ mood, seconds, seed, instruments }: MusicFlags) {
  const chosen = askedMood(mood)
  if (chosen === 'none')
    throw new TidyError('option_invalid', { option: '--mood', value: mood, wanted: 'some music' })
  const length = Number(seconds)
  if (!(length >= 1 && length <= LONGEST_SECONDS))
    throw new TidyError('option_invalid', {
      option: '--seconds',
      value: seconds,
      wanted: `a number from 1 to ${LONGEST_SECONDS}`,
    })
  const led = instruments
    ? { instruments: askedChoice('--instruments', instruments, INSTRUMENTATIONS) }
    : {}
  const asked: BedAsked = { mood: chosen, seed, ...led }
  return { asked, length }
}

/** The parts that a bed is played by. */
function partsOf({ sections }: BedPlan): MusicPart[] {
  const playing = new Set(
    sections.flatMap(({ order }) => sectionNotes(order).map(({ part }) => part)),
  )
  return MUSIC_PARTS.filter((part) => playing.has(part))
}
