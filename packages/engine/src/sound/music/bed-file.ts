import { entryOf, itemAt } from '@tidy-reel/core/faults/certain'
import type { BedPlan } from '@tidy-reel/core/film/music/bed-plan'
import { MOOD_MUSIC } from '@tidy-reel/core/film/music/moods'
import { sectionNotes } from '@tidy-reel/core/film/music/section'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { addPiece, type Bed } from '../bed.ts'
import { floatWavWriter } from '../float-wav.ts'
import { samplesIn } from '../read-wav.ts'
import { midiFile } from './midi.ts'

/** Samples that are added up at once. */
const CHUNK = 1 << 18

/** A bed's sections as one sound: 48 kHz stereo WAV of 32-bit floats. */
export async function bedFile({ pieces }: Bed, samples: number, file: string): Promise<void> {
  const sounds = new Map<string, Int16Array>()
  for (const { file: from } of pieces)
    if (!sounds.has(from)) sounds.set(from, await samplesIn(from))
  const writer = floatWavWriter(file, samples)
  try {
    for (let at = 0; at < samples; at += CHUNK) {
      const count = Math.min(CHUNK, samples - at)
      const sum: [Float32Array, Float32Array] = [new Float32Array(count), new Float32Array(count)]
      for (const piece of pieces) addPiece(entryOf(sounds, piece.file), piece, at, sum)
      await writer.add(sum)
    }
    await writer.end()
  } finally {
    writer.close()
  }
}

/** All notes of a bed as one Standard MIDI File. */
export function bedMidi({ tempo, samples, sections, placed }: BedPlan): Buffer {
  const orders = new Map(sections.map(({ id, order }) => [id, order]))
  const beatOf = (at: number) => ((at / SAMPLE_RATE) * tempo) / 60
  const notes = placed.flatMap(({ id, at }) => {
    const order = entryOf(orders, id)
    return sectionNotes(order)
      .filter(({ part }) => !order.without.includes(part))
      .map((note) => ({ ...note, at: note.at + beatOf(at) }))
  })
  const { mood } = itemAt(sections, 0).order
  return midiFile({ notes, tempo, colour: MOOD_MUSIC[mood].colour, beats: beatOf(samples) })
}
