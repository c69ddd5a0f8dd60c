import { itemAt } from '../../faults/certain.ts'

/** Scales as semitones above their first note. */
export const MODES = {
  ionian: [0, 2, 4, 5, 7, 9, 11],
  dorian: [0, 2, 3, 5, 7, 9, 10],
  phrygian: [0, 1, 3, 5, 7, 8, 10],
  lydian: [0, 2, 4, 6, 7, 9, 11],
  mixolydian: [0, 2, 4, 5, 7, 9, 10],
  aeolian: [0, 2, 3, 5, 7, 8, 10],
} as const
export type Mode = keyof typeof MODES

/** A key: its first note, 0 = C, and its scale. */
export interface Key {
  tonic: number
  mode: Mode
}

/** A chord of a key, as pitch classes: its root first, then upwards. */
export interface Chord {
  root: number
  pitches: readonly number[]
}

const modulo = (value: number, by: number) => ((value % by) + by) % by
/** A note of the scale, counted from its first one, over octaves. */
export const degreePitch = ({ tonic, mode }: Key, degree: number) =>
  tonic + itemAt(MODES[mode], modulo(degree, 7)) + 12 * Math.floor(degree / 7)

/** Steps of the scale above the root, by what is written behind the degree. */
const SHAPES: Record<string, readonly number[]> = {
  '': [0, 2, 4],
  '7': [0, 2, 4, 6],
  s: [0, 3, 4],
  '9': [0, 2, 4, 8],
  M: [0, 2, 4],
}

/**
 * A chord of a key by its degree: `5` a triad, `57` with a seventh, `5s` with a fourth in place of
 * its third, `19` with a ninth, `5M` with a major third, the leading note of a minor key.
 *
 * @throws RangeError for what is no chord: a mistake of ours
 * @example chordOf({ tonic: 0, mode: 'ionian' }, '5').pitches // => [7, 11, 2]
 */
export function chordOf(key: Key, name: string): Chord {
  const degree = Number(name[0]) - 1
  const shape = SHAPES[name.slice(1)]
  if (!shape || !(degree >= 0 && degree < 7)) throw new RangeError(`no chord "${name}"`)
  const pitches = shape.map((step) => modulo(degreePitch(key, degree + step), 12))
  const root = itemAt(pitches, 0)
  if (name.endsWith('M')) pitches[1] = modulo(root + 4, 12)
  return { root, pitches }
}

/** Whether a pitch belongs to a key. */
export const isInKey = ({ tonic, mode }: Key, pitch: number) =>
  (MODES[mode] as readonly number[]).includes(modulo(pitch - tonic, 12))
