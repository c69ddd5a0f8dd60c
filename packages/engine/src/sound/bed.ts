import { mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Document } from '@tidy-reel/core/document/document'
import type { MusicCue } from '@tidy-reel/core/export/cue-sheet'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { bedLevels } from '@tidy-reel/core/film/sound/bed-levels'
import type { BedLevels } from '@tidy-reel/core/film/sound/mix'
import { widened } from '@tidy-reel/core/film/sound/widened'
import type { Mood } from '@tidy-reel/core/style/film-choices'
import { chance } from '@tidy-reel/core/text/hash'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { BedFacts } from '@tidy-reel/core/views/episode'
import { runProgram } from '../run/program.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { int16, int16sOf, inTurns, WAV_HEAD_BYTES, wavHead } from './wav.ts'

const Levels = BedFacts.omit({ hash: true })

export interface Bed {
  /** 48 kHz stereo WAV: the loop, of whole bars, and after it what rings on. */
  file: string
  levels: BedLevels
}

interface Style {
  groove: string
  tempo: number
  /** Progressions of eight bars, of which the piece is made. */
  progressions: readonly string[]
}

const STYLES: Record<Exclude<Mood, 'none'>, Style> = {
  calm: {
    groove: 'PianoBallad',
    tempo: 68,
    progressions: [
      'Cmaj7 Am7 Fmaj7 G Cmaj7 Em7 Fmaj7 Gsus4',
      'Am7 Fmaj7 C G Am7 Fmaj7 Dm7 G',
      'Fmaj7 C/E Dm7 C Fmaj7 Em7 Dm7 G',
    ],
  },
  warm: {
    groove: 'FolkBallad',
    tempo: 78,
    progressions: ['C F C G Am F C G', 'F C Dm Am F C G C', 'Am F C G Am F G G'],
  },
  bright: {
    groove: 'SoftRock',
    tempo: 92,
    progressions: ['C G Am F C G F F', 'F G C Am F G C C', 'C Em F G C Em Dm G'],
  },
  solemn: {
    groove: 'StringBallad',
    tempo: 60,
    progressions: ['Am F C Em Am Dm E E', 'Dm Am Bb F Dm Am E Am', 'Am Em F C Dm Am Esus4 E'],
  },
}
/** A bed goes round after this: its end is far from its beginning by then. */
const LONGEST_SECONDS = 180
const SOUND_FONT = '/usr/share/sounds/sf2/default-GM.sf2'
const KEYS = [-5, -3, -2, 0, 2, 3, 5]

/** The chord sheet `mma` plays: as many bars as are needed, the same for the same seed. */
const oneOf = <Choice>(choices: readonly Choice[], seed: string) =>
  itemAt(choices, Math.floor(chance(seed) * choices.length))

export function chordSheet(
  mood: Exclude<Mood, 'none'>,
  seconds: number,
  seed: string,
): { sheet: string; bars: number; tempo: number } {
  const { groove, tempo, progressions } = STYLES[mood]
  const barSeconds = (4 * 60) / tempo
  const bars = 8 * Math.max(1, Math.ceil(Math.min(seconds, LONGEST_SECONDS) / barSeconds / 8))
  const lines = Array.from({ length: bars }, (_, bar) => {
    const part = Math.floor(bar / 8)
    const chords = oneOf(progressions, `${seed} ${part}`).split(' ')
    return `${bar + 1} ${chords[bar % 8]}`
  })
  const key = oneOf(KEYS, `${seed} key`)
  const head = [
    `RndSeed ${Math.floor(chance(`${seed} dice`) * 1e6)}`,
    `Tempo ${tempo}`,
    `Transpose ${key}`,
    `Groove ${groove}`,
    'Drum-Snare Off',
    'Drum-Kick Off',
    'Drum-HH Off',
  ]
  return { sheet: [...head, ...lines, ''].join('\n'), bars, tempo }
}

/** The bed of a film as a cue sheet tells of it; `[]` where there is none. */
export const musicCues = (
  { mood, title }: Pick<Document, 'mood' | 'title'>,
  plan: Timeline,
): MusicCue[] =>
  mood === 'none'
    ? []
    : [
        {
          title: `Bed “${title}”, ${mood}`,
          maker: 'Tidy Reel, with MMA and FluidSynth',
          licence: 'Made for this channel',
          start: 0,
          end: plan.samples,
        },
      ]

/** Raised when beds are made otherwise, so that earlier ones are made anew. */
const VERSION = 2
/** Two channels of 16 bits. */
const BYTES_A_SAMPLE = 4

/**
 * Makes a bed that suits a mood, at least as long as the film or, past three minutes, fit to be
 * looped.
 */
export async function makeBed(
  folder: string,
  mood: Exclude<Mood, 'none'>,
  seconds: number,
  seed: string,
  signal?: AbortSignal,
): Promise<Bed> {
  const { sheet, bars, tempo } = chordSheet(mood, seconds, seed)
  const name = contentHash({ sheet, version: VERSION })
  const loopSamples = Math.round((bars * 4 * 60 * SAMPLE_RATE) / tempo)
  const file = await keptFile(join(folder, `${name}.wav`), async (half) => {
    const work = await mkdtemp(join(tmpdir(), 'tidy-bed-'))
    try {
      await writeFile(join(work, 'bed.mma'), sheet)
      const options = { cwd: work, ...(signal ? { signal } : {}) }
      await runProgram('mma', ['-f', 'bed.mid', 'bed.mma'], options)
      await runProgram(
        'fluidsynth',
        [
          '-ni',
          '-F',
          half,
          '-T',
          'wav',
          '-O',
          's16',
          '-r',
          String(SAMPLE_RATE),
          '-g',
          '0.5',
          SOUND_FONT,
          'bed.mid',
        ],
        options,
      )
      // It says nothing of sound that it could not write.
      if ((await stat(half)).size < loopSamples * BYTES_A_SAMPLE) throw new TidyError('disk_full')
      await widen(half)
    } finally {
      await rm(work, { recursive: true, force: true })
    }
  })
  const facts = await keptFile(join(folder, `${name}.levels.json`), async (half) => {
    const levels = bedLevels(channelsOf(await samplesIn(file)), loopSamples, SAMPLE_RATE)
    await writeFile(half, JSON.stringify(levels))
  })
  return { file, levels: await keptJson(facts, Levels) }
}

const samplesIn = async (file: string) => int16sOf((await readFile(file)).subarray(WAV_HEAD_BYTES))

/** Two channels that take turns, apart; 1 = full scale. */
function channelsOf(turns: Int16Array): [Float32Array, Float32Array] {
  const length = turns.length >> 1
  const channel = (c: number) => Float32Array.from({ length }, (_, i) => turns[2 * i + c]! / 32768)
  return [channel(0), channel(1)]
}

/** Makes a bed that is nearly one channel as wide as a room (`widened`). */
async function widen(file: string) {
  const wide = widened(channelsOf(await samplesIn(file)), SAMPLE_RATE)
  await writeFile(file, Buffer.concat([wavHead(wide[0].length, 2), int16(inTurns(wide))]))
}
