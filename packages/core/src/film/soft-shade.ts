import { frameAtSample, type FrameRate } from '../time/time.ts'
import { type Rect, within } from './lettering/frame.ts'

/**
 * A ground of letters: a soft shade, or with no `blur` a plate. It is laid over the picture like a
 * still, under everything that libass draws: ffmpeg mixes in what libass draws pixel by pixel, and
 * large areas are what that takes longest for.
 */
export interface SoftShade {
  /** Where it is whole; its rim reaches beyond. Pixels. */
  box: Rect
  /** Of its rim, as `\blur` of ASS counts. */
  blur: number
  colour: string
  opacity: number
  /** Times in samples. */
  start: number
  end: number
  fade: { inMs: number; outMs: number }
}

/** When a shade is seen, in frames from some beginning: `[from, to)`, and how long it comes and goes. */
export interface ShadeFrames {
  from: number
  to: number
  coming: number
  going: number
}

export function shadeFrames(
  { start, end, fade }: Pick<SoftShade, 'start' | 'end' | 'fade'>,
  fps: FrameRate,
): ShadeFrames {
  const frames = (ms: number) => Math.round((ms * fps[0]) / (1000 * fps[1]))
  return {
    from: frameAtSample(start, fps),
    to: frameAtSample(end, fps),
    coming: frames(fade.inMs),
    going: frames(fade.outMs),
  }
}

/** How much of it is there in a frame, 0 to 1. */
export function shadeShare({ from, to, coming, going }: ShadeFrames, frame: number): number {
  if (frame < from || frame >= to) return 0
  const come = coming ? (frame - from) / coming : 1
  const gone = going ? (to - frame) / going : 1
  return within(Math.min(come, gone), 0, 1)
}

/** libass's own measure: a deviation for each pixel of `\blur` (its `ass_bitmap`, from memory). */
const DEVIATION = 2 / Math.sqrt(Math.log(256))
/** Beyond so many deviations nothing is seen. */
const REACH = 2.6

/** Where a shade's picture stands: even pixels, as colour planes have half as many. */
export function shadePicture({ box, blur }: Pick<SoftShade, 'box' | 'blur'>): Rect {
  const reach = blur * DEVIATION * REACH
  const even = (n: number) => 2 * Math.floor(n / 2)
  const [x, y] = [even(box.x - reach), even(box.y - reach)]
  return {
    x,
    y,
    width: even(box.x + box.width + reach - x) + 2,
    height: even(box.y + box.height + reach - y) + 2,
  }
}

/**
 * How opaque a shade is in each pixel of its picture, 0 to 255: a box softened by a Gaussian, which
 * is the product of two soft steps across and two down.
 *
 * @param scale pixels of the picture for each of the film's
 */
export function shadeAlpha(
  shade: Pick<SoftShade, 'box' | 'blur' | 'opacity'>,
  scale = 1,
): { alpha: Uint8Array; width: number; height: number } {
  const { box, opacity } = shade
  const picture = shadePicture(shade)
  const deviation = shade.blur * DEVIATION
  /** How much of a pixel lies beyond an edge; beyond a soft one, how much of the rim. */
  const beyond = (distance: number) =>
    deviation ? step(distance / deviation) : within(distance * scale + 0.5, 0, 1)
  const side = (at: number, from: number, long: number, count: number) =>
    Float32Array.from({ length: count }, (_, i) => {
      const place = at + (i + 0.5) / scale
      return beyond(place - from) - beyond(place - from - long)
    })
  const [width, height] = [Math.ceil(picture.width * scale), Math.ceil(picture.height * scale)]
  const across = side(picture.x, box.x, box.width, width)
  const down = side(picture.y, box.y, box.height, height)
  const alpha = new Uint8Array(width * height)
  down.forEach((v, y) => {
    for (let x = 0; x < width; x++)
      alpha[y * width + x] = Math.round(255 * opacity * v * (across[x] ?? 0))
  })
  return { alpha, width, height }
}

/**
 * The normal distribution's sum from the left, by the error function of Abramowitz and Stegun,
 * 7.1.26 (from memory): error under 1.5e-7.
 */
function step(deviations: number): number {
  const x = Math.abs(deviations) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * x)
  const poly =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const erf = 1 - poly * Math.exp(-x * x)
  return deviations < 0 ? (1 - erf) / 2 : (1 + erf) / 2
}
