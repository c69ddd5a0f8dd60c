import type { MusicPart } from '../../style/film-choices.ts'

/**
 * Programmes of General MIDI level 1, counted from 0 (from memory): what plays each part.
 * Percussion has none; it is played on channel 10.
 */
export const PROGRAMS: Record<
  'acoustic' | 'electric',
  Record<Exclude<MusicPart, 'percussion'>, number>
> = {
  // String ensemble, grand piano, nylon guitar, slow strings, acoustic bass, flute.
  acoustic: { pad: 48, keys: 0, plucked: 24, strings: 49, bass: 32, lead: 73 },
  // Warm pad, electric piano, clean guitar, synthetic strings, fingered bass, vibraphone.
  electric: { pad: 89, keys: 4, plucked: 27, strings: 50, bass: 33, lead: 11 },
}
/** Notes of General MIDI's percussion (from memory): shaker, closed hat, side stick, low tom. */
export const DRUMS = { shaker: 82, hat: 42, stick: 37, tom: 45 }

/** A note: MIDI pitch, beats from the section's beginning, length in beats, force 1 to 127. */
export interface Note {
  part: MusicPart
  pitch: number
  at: number
  beats: number
  force: number
}
