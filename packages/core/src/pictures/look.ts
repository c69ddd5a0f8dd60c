import { z } from 'zod'

/** Colours a picture may be looked for by. */
export const COLOURS = [
  'red',
  'orange',
  'yellow',
  'green',
  'teal',
  'blue',
  'violet',
  'pink',
  'brown',
  'black',
  'grey',
  'white',
] as const
export type Colour = (typeof COLOURS)[number]

/** What can be told of a picture by looking at it. */
export const Look = z.object({
  /**
   * A perceptual hash: 64 bits as 16 hex digits. Pictures that look the same have nearly the same.
   */
  hash: z.string().regex(/^[0-9a-f]{16}$/),
  /** What colours most of it has, the commonest first. */
  colours: z.array(z.enum(COLOURS)),
  /**
   * Variance of the Laplacian of its tones at 512 pixels: how much detail there is; below `SOFT` it
   * may be out of focus.
   */
  sharpness: z.number().nonnegative(),
})
export type Look = z.infer<typeof Look>

export const SOFT = 40
/** Two pictures whose hashes differ in no more bits than this are taken for one. */
export const SAME_BITS = 10

/** Bits in which two perceptual hashes differ, 0 to 64. */
export function hashDistance(a: string, b: string): number {
  let bits = 0
  for (let i = 0; i < 16; i += 8) {
    let different =
      (Number.parseInt(a.slice(i, i + 8), 16) ^ Number.parseInt(b.slice(i, i + 8), 16)) >>> 0
    for (; different; different &= different - 1) bits++
  }
  return bits
}

/**
 * @param a 16 hex digits
 * @param b 16 hex digits
 */
export const sameLook = (a: string, b: string) => hashDistance(a, b) <= SAME_BITS

/** A colour that covers less of a picture is not what it looks like. */
const LEAST_SHARE = 0.14
/** Colours named of one picture, by hand: further ones are corners. */
const MOST_COLOURS = 3

/**
 * The colours that cover most of a picture.
 *
 * @param pixels RGB, 8 bits each
 */
export function coloursOf(pixels: Uint8Array): Colour[] {
  const counts = new Map<Colour, number>()
  for (let i = 0; i + 2 < pixels.length; i += 3) {
    const name = colourName(pixels[i]!, pixels[i + 1]!, pixels[i + 2]!)
    counts.set(name, (counts.get(name) ?? 0) + 1)
  }
  const all = Math.floor(pixels.length / 3)
  return [...counts]
    .filter(([, count]) => count >= all * LEAST_SHARE)
    .sort((a, b) => b[1] - a[1])
    .slice(0, MOST_COLOURS)
    .map(([name]) => name)
}

/** Upper borders of the hues, in degrees. */
const HUES: readonly (readonly [below: number, name: Colour])[] = [
  [14, 'red'],
  [42, 'orange'],
  [68, 'yellow'],
  [160, 'green'],
  [196, 'teal'],
  [256, 'blue'],
  [292, 'violet'],
  [338, 'pink'],
  [361, 'red'],
]

/**
 * What people call a colour, by hue, chroma and lightness (HSL).
 *
 * @param red   0 to 255
 * @param green 0 to 255
 * @param blue  0 to 255
 */
export function colourName(red: number, green: number, blue: number): Colour {
  const [most, least] = [Math.max(red, green, blue), Math.min(red, green, blue)]
  const lightness = (most + least) / 510
  const chroma = (most - least) / 255
  if (lightness < 0.11) return 'black'
  if (chroma < 0.11) return greyName(lightness)
  const sector = sectorOf(red, green, blue)
  const hue = HUES.find(([below]) => sector * 60 < below)![1]
  return (hue === 'orange' || hue === 'red' || hue === 'yellow') && lightness < 0.42 && chroma < 0.5
    ? 'brown'
    : hue
}

/** Of a colour without chroma. */
function greyName(lightness: number): Colour {
  if (lightness > 0.84) return 'white'
  return lightness < 0.2 ? 'black' : 'grey'
}

/** Where on the circle of hues a colour lies, 0 to 6 from red over green to red again (HSL). */
function sectorOf(red: number, green: number, blue: number): number {
  const most = Math.max(red, green, blue)
  const chroma = most - Math.min(red, green, blue)
  if (most === red) return ((green - blue) / chroma + 6) % 6
  return most === green ? (blue - red) / chroma + 2 : (red - green) / chroma + 4
}
