import { rgbOfHex } from '../../text/hex-colour.ts'
import { lumaOf } from './bt709.ts'
import type { Grade, Rgb } from './grade.ts'
import { type Look, LOOKS } from './looks.ts'

/** Of a display (close to ITU-R BT.1886): light is worked on as light. */
export const GAMMA = 2.2
/** Middle grey, 18 % of the light, as it is shown. */
const MIDDLE = 0.18 ** (1 / GAMMA)
/** The most each of them does at 100. */
export const MOST = { contrast: 0.45, warmth: 0.3, tint: 0.18, dark: 0.45, light: 0.45 }
/** Black and white of a wholly faded picture. */
const FADED = { black: 0.13, white: 0.94 }
/** Where light that was raised begins to be held back, so that it does not burn out at once. */
const KNEE = 0.8

const mapped = ([r, g, b]: Rgb, map: (v: number) => number): Rgb => [map(r), map(g), map(b)]
const mixed = (a: Rgb, b: Rgb, share: number): Rgb => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
]
const within = (v: number) => Math.min(1, Math.max(0, v))

/** Makes another colour of one. */
type Change = (colour: Rgb) => Rgb

/**
 * What a grade makes of colours: its own changes first, its look over them.
 *
 * @returns gives 0 to 1 each; the colour itself for a grade that changes nothing
 */
export function grading(grade: Grade): Change {
  const own = changing(grade)
  if (!grade.look || grade.look === 'none') return own
  const look = changing(LOOKS[grade.look])
  const strength = (grade.strength ?? 100) / 100
  return (colour) => {
    const before = own(colour)
    return mixed(before, look(before), strength)
  }
}

/** A colour as a grade shows it. */
export const gradedColour = (colour: Rgb, grade: Grade): Rgb => grading(grade)(colour)

/** Only steps that change something: a table has 36,000 colours. */
function changing(change: Look): Change {
  const steps = STEPS.flatMap((step) => step(change) ?? [])
  return (colour) => steps.reduce((one, step) => step(one), colour)
}

/** In order; each is left out where it changes nothing. */
const STEPS: readonly ((change: Look) => Change | undefined)[] = [
  lighting,
  ({ contrast }) => curve(contrast, MOST.contrast, (v) => 4 * (v - MIDDLE) * v * (1 - v)),
  ({ shadows }) => curve(shadows, MOST.dark, (v) => 2 * v * (1 - v) ** 3),
  ({ lights }) => curve(lights, MOST.light, (v) => 2 * v ** 3 * (1 - v)),
  leaning,
  ({ saturation }) =>
    saturation
      ? (colour) => {
          const luma = lumaOf(colour)
          return mapped(colour, (v) => within(luma + (v - luma) * (1 + saturation / 100)))
        }
      : undefined,
  toning,
  ({ fade }) => curve(fade, 1, (v) => FADED.black + v * (FADED.white - FADED.black - 1)),
]

/** So much of a curve added to each component: black and white stay where the curve is 0. */
function curve(
  hundredths: number | undefined,
  most: number,
  at: (v: number) => number,
): Change | undefined {
  if (!hundredths) return undefined
  const amount = (most * hundredths) / 100
  return (colour) => mapped(colour, (v) => within(v + amount * at(v)))
}

/** Exposure and white balance: both are factors of light. */
function lighting({ exposure = 0, warmth = 0, tint = 0 }: Look): Change | undefined {
  if (!exposure && !warmth && !tint) return undefined
  const [warm, magenta] = [(MOST.warmth * warmth) / 100, (MOST.tint * tint) / 100]
  const gains: Rgb = [1 + warm + magenta / 2, 1 - magenta, 1 - warm + magenta / 2]
  // As light as before, whatever its colour.
  const stop = 2 ** exposure / lumaOf(gains)
  const [r, g, b] = [raising(gains[0] * stop), raising(gains[1] * stop), raising(gains[2] * stop)]
  return (colour) => [r(colour[0]), g(colour[1]), b(colour[2])]
}

function raising(gain: number): (v: number) => number {
  const factor = gain ** (1 / GAMMA)
  if (gain <= 1) return (v) => v * factor
  // What white becomes is white again; up to it, held back more and more.
  const bend = (factor - KNEE) / (1 - KNEE)
  return (v) => {
    const shown = v * factor
    if (shown <= KNEE) return shown
    return within(KNEE + (1 - KNEE) * (1 - ((factor - shown) / (factor - KNEE)) ** bend))
  }
}

function leaning({ leans }: Look): Change | undefined {
  if (!leans) return undefined
  const { darks, lights } = leans
  return (colour) => {
    const luma = lumaOf(colour)
    // Neither black nor white takes a colour.
    const [dark, light] = [4 * luma * (1 - luma) ** 2, 4 * luma ** 2 * (1 - luma)]
    const lean = (i: 0 | 1 | 2) => within(colour[i] + (darks[i] * dark + lights[i] * light) / 100)
    return [lean(0), lean(1), lean(2)]
  }
}

function toning({ grey, twoTone }: Look): Change | undefined {
  if (twoTone) {
    const [dark, light] = [rgbOfHex(twoTone.dark), rgbOfHex(twoTone.light)]
    return (colour) => mixed(dark, light, lumaOf(colour))
  }
  if (!grey) return undefined
  return (colour) => {
    const luma = lumaOf(colour)
    return [luma, luma, luma]
  }
}
