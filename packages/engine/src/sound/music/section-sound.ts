import { mkdtemp, rm, stat, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { OrderedSection } from '@tidy-reel/core/film/music/bed-plan'
import { barSamples } from '@tidy-reel/core/film/music/form'
import { MOOD_MUSIC } from '@tidy-reel/core/film/music/moods'
import { RING_SECONDS } from '@tidy-reel/core/film/music/ring'
import { BEATS_A_BAR, sectionNotes } from '@tidy-reel/core/film/music/section'
import { type MeasuredPiece, measuredPiece } from '@tidy-reel/core/film/sound/bed-levels'
import { heldTogether } from '@tidy-reel/core/film/sound/held-together'
import { widened } from '@tidy-reel/core/film/sound/widened'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { runProgram } from '../../run/program.ts'
import { contentHash, keptFile } from '../../storage/kept-file.ts'
import { keptJson } from '../../storage/kept-json.ts'
import { channelsIn } from '../read-wav.ts'
import { stereoWav } from '../wav.ts'
import { midiFile } from './midi.ts'

/** Raised when sections are played otherwise, so that earlier ones are played anew. */
const VERSION = 4
/** Debian's larger font; `fluidr3mono-gm-soundfont`. */
export const SOUND_FONT = '/usr/share/sounds/sf3/FluidR3Mono_GM.sf3'
/** Two channels of 16 bits. */
const BYTES_A_SAMPLE = 4
const GAIN = '1'

/** A section's sound: 48 kHz stereo WAV, its bars and what rings on, and what was measured. */
export interface SectionSound {
  hash: string
  file: string
  powers: readonly number[]
  dipped: readonly number[]
}

const Measured = z.object({ powers: z.array(z.number()), dipped: z.array(z.number()) })

/** The section as a Standard MIDI File. */
export function sectionMidi(order: OrderedSection): Buffer {
  const beats = (order.bars - 1 + order.held) * BEATS_A_BAR + (RING_SECONDS * order.tempo) / 60
  const notes = sectionNotes(order).filter(({ part }) => !order.without.includes(part))
  return midiFile({ notes, tempo: order.tempo, colour: MOOD_MUSIC[order.mood].colour, beats })
}

export const sectionHash = (order: OrderedSection) =>
  contentHash({ midi: sectionMidi(order).toString('base64'), VERSION })

/** Plays a section, where it has not been played before. */
export async function sectionSound(
  folder: string,
  order: OrderedSection,
  signal?: AbortSignal,
): Promise<SectionSound> {
  const hash = sectionHash(order)
  const file = await keptFile(join(folder, `${hash}.wav`), (half) => play(order, half, signal))
  const facts = await keptFile(join(folder, `${hash}.powers.json`), async (half) =>
    writeFile(half, JSON.stringify(measured(await channelsIn(file)))),
  )
  return { hash, file, ...(await keptJson(facts, Measured)) }
}

async function play(order: OrderedSection, half: string, signal?: AbortSignal) {
  const samples = (order.bars - 1 + order.held) * barSamples(order.tempo)
  const work = await mkdtemp(join(tmpdir(), 'tidy-bed-'))
  try {
    await writeFile(join(work, 'bed.mid'), sectionMidi(order))
    await runProgram(
      'fluidsynth',
      [
        ...['-ni', '-F', half, '-T', 'wav', '-O', 's16', '-r', String(SAMPLE_RATE), '-g', GAIN],
        ...['-o', 'synth.dynamic-sample-loading=1'],
        ...[SOUND_FONT, 'bed.mid'],
      ],
      { cwd: work, ...(signal ? { signal } : {}) },
    )
    // It says nothing of sound that it could not write.
    if ((await stat(half)).size < samples * BYTES_A_SAMPLE) throw new TidyError('disk_full')
    const wide = heldTogether(widened(await channelsIn(half), SAMPLE_RATE))
    await writeFile(half, stereoWav(wide))
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

function measured(channels: readonly [Float32Array, Float32Array]): MeasuredPiece {
  const { powers, dipped } = measuredPiece(channels, SAMPLE_RATE)
  const short = (powers: readonly number[]) => powers.map((power) => Number(power.toPrecision(4)))
  return { powers: short(powers), dipped: short(dipped) }
}
