import {
  EAST_ASIAN_METRICS,
  type FaceId,
  isShipped,
  PLAIN_FACE,
  SCRIPT_FACES,
} from '../../style/faces.ts'
import { type FaceMetrics, ownFace } from '../../style/own-face.ts'
import { keptByText } from '../../text/kept-by-text.ts'
import metrics from './face-metrics.json' with { type: 'json' }

type MeasuredId = FaceId | Exclude<ScriptName, 'EastAsian'>

/** Of the file that a face is drawn from; one that nobody has met is drawn in the plain one. */
function metricsOf(id: MeasuredId): FaceMetrics {
  if (id === 'Plain') return metrics[PLAIN_FACE]
  return id in metrics
    ? metrics[id as keyof typeof metrics]
    : (ownFace(id)?.metrics ?? metrics[PLAIN_FACE])
}

/** Scripts that no chosen face has, each with a face of its own. */
type ScriptName = keyof typeof SCRIPT_FACES | 'EastAsian' | 'Plain'

/** Letters of a face at a size, which in ASS is the height of a line. */
export interface Type {
  face: FaceId
  /** In pixels. */
  size: number
}

/** A letter that no shipped face has: most are wider than Latin ones. */
const UNKNOWN = { advance: 600, top: 760, foot: -200 }
/** East Asian letters fill their square. */
const SQUARE: Glyph = { advance: 1000, top: 880, foot: -120, script: 'EastAsian' }
/** Hangul is set a little closer. */
const HANGUL: Glyph = { ...SQUARE, advance: 920 }
const IS_SQUARE =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\u3000-\u303f\uff00-\uff60]/u

interface Glyph {
  advance: number
  top: number
  foot: number
  /** The face it is taken from, where that is not the one asked for. */
  script?: ScriptName
}

const glyphs = new Map<MeasuredId, ReadonlyMap<string, Glyph>>()

function glyphsOf(id: MeasuredId): ReadonlyMap<string, Glyph> {
  const known = glyphs.get(id)
  if (known) return known
  const { letters, advances, tops, feet } = metricsOf(id)
  const made = new Map(
    [...letters].map((letter, i) => [
      letter,
      { advance: advances[i] ?? 0, top: tops[i] ?? 0, foot: feet[i] ?? 0 },
    ]),
  )
  // One that is met later has its own letters then.
  if (isKnown(id)) glyphs.set(id, made)
  return made
}

const isKnown = (id: MeasuredId) => id in metrics || id === 'Plain' || ownFace(id) !== undefined

const SCRIPTS = Object.keys(SCRIPT_FACES) as (keyof typeof SCRIPT_FACES)[]

/** A letter as it is drawn: in the face itself, else in one for its script. */
function glyphOf(letter: string, face: FaceId): Glyph {
  const own = glyphsOf(face).get(letter)
  if (own) return own
  const plain = isShipped(face) ? undefined : glyphsOf('Plain').get(letter)
  if (plain) return { ...plain, script: 'Plain' }
  for (const script of SCRIPTS) {
    const found = glyphsOf(script).get(letter)
    if (found) return { ...found, script }
  }
  if (/\p{M}/u.test(letter)) return { ...UNKNOWN, advance: 0 }
  if (/\p{Script=Hangul}/u.test(letter)) return HANGUL
  return IS_SQUARE.test(letter) ? SQUARE : UNKNOWN
}

function emOf(id: MeasuredId | 'EastAsian', size: number): number {
  const { ascent, descent } = id === 'EastAsian' ? EAST_ASIAN_METRICS : metricsOf(id)
  return size / (ascent + descent)
}

/** Width of a text in one-size letters of each face: kept, a film's words come again and again. */
const widths = new Map<FaceId, (text: string) => number>()

function widthIn(face: FaceId): (text: string) => number {
  const known = widths.get(face)
  if (known) return known
  const made = keptByText(2e5, (text) => {
    let width = 0
    for (const letter of text) {
      const { advance, script } = glyphOf(letter, face)
      width += advance * emOf(script ?? face, 1)
    }
    return width
  })
  if (isKnown(face)) widths.set(face, made)
  return made
}

/**
 * How wide a line of text is, without the closer setting of some pairs of letters: never less than
 * it is drawn by more than a hundredth.
 *
 * @returns pixels
 */
export const textWidth = (text: string, { face, size }: Type): number => widthIn(face)(text) * size

/** How far letters of a line reach above and below its baseline, in pixels; both positive. */
export function inkHeights(text: string, { face, size }: Type): { above: number; below: number } {
  let above = 0
  let below = 0
  for (const letter of text) {
    const { top, foot, script } = glyphOf(letter, face)
    const em = emOf(script ?? face, size)
    above = Math.max(above, top * em)
    below = Math.max(below, -foot * em)
  }
  return { above, below }
}

/** From the top of a line to its baseline, in pixels. */
export const ascentOf = ({ face, size }: Type): number => metricsOf(face).ascent * emOf(face, size)

/** A stretch of a text in letters of one face. */
export interface Run {
  text: string
  /** Set where the face asked for does not have the letters. */
  script?: ScriptName
}

/**
 * A text in stretches of one face each: letters the chosen face does not have are taken from one
 * for their script. Spaces and marks stay with what stands before them.
 *
 * @returns `[]` for an empty text
 */
export function runsOf(text: string, face: FaceId): Run[] {
  const runs: Run[] = []
  for (const letter of text) {
    const last = runs.at(-1)
    const { script } = glyphOf(letter, face)
    const isNeutral = !/[\p{L}\p{N}]/u.test(letter)
    if (last && (isNeutral || last.script === script)) last.text += letter
    else runs.push(script ? { text: letter, script } : { text: letter })
  }
  return runs
}
