/** Ways a painted picture can be drawn over as a whole. `paper` leaves it as it is. */
export const STYLES = ['paper', 'engraving', 'linocut', 'watercolour', 'blueprint'] as const
export type Style = (typeof STYLES)[number]

type Rgb = readonly [red: number, green: number, blue: number]

const PAPER: Rgb = [244, 237, 222]
const INK: Rgb = [38, 34, 40]
const PRUSSIAN: Rgb = [24, 52, 96]
/**
 * Tones of a linocut from dark to light: the block's ink, two colours laid under it, and the paper.
 */
const BLOCKS: readonly (readonly [below: number, colour: Rgb])[] = [
  [66, [32, 36, 56]],
  [118, [50, 98, 112]],
  [170, [212, 142, 84]],
  [Infinity, PAPER],
]

/**
 * Draws a picture over in a style.
 *
 * @param pixels RGBA, 8 bits each, row by row; changed in place
 */
export function restyle(
  pixels: Uint8Array | Uint8ClampedArray,
  width: number,
  height: number,
  style: Style,
): void {
  if (style === 'paper') return
  const radius = Math.max(1, Math.round(width / 900))
  const tone = softened(tones(pixels), width, height, radius)
  if (style === 'linocut') evened(tone, width, height)
  const set = (at: number, [r, g, b]: Rgb) => {
    pixels[at * 4] = r
    pixels[at * 4 + 1] = g
    pixels[at * 4 + 2] = b
  }
  const pace = Math.max(3, Math.round(width / 300))
  if (style === 'watercolour') return wash(pixels, tone, width, height)
  for (let y = 0, at = 0; y < height; y++) {
    for (let x = 0; x < width; x++, at++) {
      const edge = slope(tone, at, x, y, width, height)
      if (style === 'linocut')
        set(at, edge > 30 ? BLOCKS[0]![1] : BLOCKS.find(([below]) => tone[at]! < below)![1])
      else {
        if (style === 'blueprint')
          set(
            at,
            mixed(
              PRUSSIAN,
              [232, 240, 250],
              Math.min(1, edge / 46) * 0.92 +
                (x % (pace * 8) === 0 || y % (pace * 8) === 0 ? 0.12 : 0),
            ),
          )
        else set(at, mixed(PAPER, INK, hatched(tone[at]!, x, y, pace) || edge > 34 ? 0.9 : 0))
      }
    }
  }
}

/**
 * Takes out what changes slowly, the light and the darker corners, so that shapes and not the lamp
 * are cut.
 */
function evened(tone: Float32Array, width: number, height: number): void {
  const wide = softened(tone, width, height, Math.round(width / 7))
  for (let at = 0; at < tone.length; at++)
    tone[at] = 128 + (tone[at]! - wide[at]!) * 1.15 + (wide[at]! - 128) * 0.35
}

/** Lines of an engraver: the darker the place, the more sets of them cross. */
function hatched(tone: number, x: number, y: number, pace: number): boolean {
  const line = (along: number) => ((along % pace) + pace) % pace < Math.max(1, pace / 4)
  // The lines swing a little, as a hand's do.
  const swing = Math.round(Math.sin(x / (pace * 9)) * pace)
  return (
    (tone < 178 && line(y + swing)) || (tone < 112 && line(x + y)) || (tone < 62 && line(x - y))
  )
}

/** Colours run together, gather at the edges and let the paper through. */
function wash(
  pixels: Uint8Array | Uint8ClampedArray,
  tone: Float32Array,
  width: number,
  height: number,
): void {
  const radius = Math.max(2, Math.round(width / 260))
  const channels = [0, 1, 2].map((c) =>
    softened(
      Float32Array.from({ length: width * height }, (_, at) => pixels[at * 4 + c]!),
      width,
      height,
      radius,
    ),
  )
  for (let y = 0, at = 0; y < height; y++) {
    for (let x = 0; x < width; x++, at++) {
      const rim = Math.min(1, slope(tone, at, x, y, width, height) / 60) * 0.34
      const grain = 1 - (0.05 * (((x * 73856093) ^ (y * 19349663)) & 7)) / 7
      for (let c = 0; c < 3; c++) {
        const stepped = Math.round(channels[c]![at]! / 20) * 20
        pixels[at * 4 + c] = Math.min(
          255,
          (stepped * 0.72 + PAPER[c]! * 0.28) * (1 - rim) * grain + 6,
        )
      }
    }
  }
}

/** Luminance by ITU-R BT.601. */
function tones(pixels: Uint8Array | Uint8ClampedArray): Float32Array {
  return Float32Array.from(
    { length: pixels.length / 4 },
    (_, at) => 0.299 * pixels[at * 4]! + 0.587 * pixels[at * 4 + 1]! + 0.114 * pixels[at * 4 + 2]!,
  )
}

/** Averages over a square of `2 · radius + 1`, along the rows and then the columns. */
function softened(
  values: Float32Array,
  width: number,
  height: number,
  radius: number,
): Float32Array {
  const pass = (
    from: Float32Array,
    lines: number,
    length: number,
    step: number,
    stride: number,
  ) => {
    const to = new Float32Array(from.length)
    for (let line = 0; line < lines; line++) {
      const at = (i: number) => line * stride + Math.min(length - 1, Math.max(0, i)) * step
      let sum = 0
      for (let i = -radius; i <= radius; i++) sum += from[at(i)]!
      for (let i = 0; i < length; i++) {
        to[at(i)] = sum / (2 * radius + 1)
        sum += from[at(i + radius + 1)]! - from[at(i - radius)]!
      }
    }
    return to
  }
  return pass(pass(values, height, width, 1, width), width, height, width, 1)
}

/** How fast the tone changes across a pixel, by central differences. */
function slope(
  tone: Float32Array,
  at: number,
  x: number,
  y: number,
  width: number,
  height: number,
): number {
  const dx = tone[x + 1 < width ? at + 1 : at]! - tone[x > 0 ? at - 1 : at]!
  const dy = tone[y + 1 < height ? at + width : at]! - tone[y > 0 ? at - width : at]!
  return Math.hypot(dx, dy) * 2.2
}

const mixed = (from: Rgb, to: Rgb, share: number): Rgb =>
  [0, 1, 2].map((c) => from[c]! + (to[c]! - from[c]!) * share) as unknown as Rgb
