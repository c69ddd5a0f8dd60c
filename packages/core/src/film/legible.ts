import { GROUND_DIM, standsWhole } from '../pictures/ground.ts'
import { type Light, type Tones, tonesIn } from '../pictures/light.ts'
import { cropAt, eased } from '../pictures/move.ts'
import type { Move } from '../pictures/view.ts'
import { contrastOf, LEGIBLE, luminance, luminanceOfTone, mixed } from '../style/contrast.ts'
import type { Palette } from '../style/lettering.ts'
import { frameAtSample } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'
import type { FileSource } from './file-source.ts'
import { type Frame, isInside, type Rect, shared } from './lettering/frame.ts'
import { panesOf } from './panes.ts'
import type { SegmentShot } from './shots.ts'

/** The pictures of a film as they are seen, and how light they are by their ids. */
export interface SeenPictures {
  shots: readonly (readonly SegmentShot[])[]
  lights: ReadonlyMap<string, Light>
}

/** How opaque a shade may be, tried one after the other: no more of the picture goes than must. */
const SHADES = [0.3, 0.42, 0.54, 0.66, 0.78, 0.9] as const
const WHOLE: Move = { from: { x: 0.5, y: 0.5, scale: 1 }, to: { x: 0.5, y: 0.5, scale: 1 } }

/** Letters and what they are to stand on. */
export interface Lettered {
  box: Rect
  start: number
  end: number
  /** All they are written in. */
  colours: readonly string[]
  shade: string
  /** Of what they stand on, before anything is done about it. */
  opacity: number
}

/** How well letters are told from what they stand on. */
export interface Legibility {
  /** As they stand, 1 to 21 (WCAG 2.2). */
  contrast: number
  /** How opaque what they stand on must be for `LEGIBLE`: no less than it is. */
  shade: number
}

/**
 * How well letters are told from the pictures they stand on, worst at any moment.
 *
 * @param palette its paper is that of plain cards and of what layouts stand on
 * @returns undefined where nobody knows how light those pictures are
 */
export function legibilityOf(
  letters: Lettered,
  timeline: Timeline,
  { shots, lights }: SeenPictures,
  palette: Palette,
  frame: Frame,
): Legibility | undefined {
  const grounds = groundsUnder(letters, timeline, shots, frame, palette).map((ground) =>
    ground === 'paper' ? tonesOf(palette.paper) : tonesUnder(ground, lights),
  )
  const known = grounds.filter((tones) => tones !== undefined)
  if (!known.length) return undefined
  const worst = (shade: number) =>
    Math.min(...known.map((tones) => contrastOn(tones, letters, shade)))
  const { opacity } = letters
  const contrast = worst(opacity)
  if (contrast >= LEGIBLE) return { contrast, shade: opacity }
  const enough = SHADES.find((shade) => shade > opacity && worst(shade) >= LEGIBLE)
  return { contrast, shade: enough ?? Math.max(opacity, ...SHADES) }
}

/** Contrast of letters with tones under a shade: a shade is mixed in as screens mix, tone by tone. */
function contrastOn({ dark, light }: Tones, { colours, shade }: Lettered, opacity: number): number {
  const under = (tone: number) => {
    const level = Math.round(tone * 255)
      .toString(16)
      .padStart(2, '0')
    return opacity ? luminance(mixed(`#${level.repeat(3)}`, shade, opacity)) : luminanceOfTone(tone)
  }
  const grounds = [under(dark), under(light)]
  return Math.min(
    ...colours.map(luminance).flatMap((own) => grounds.map((ground) => contrastOf(own, ground))),
  )
}

function tonesOf(colour: string): Tones {
  const level = luminance(colour)
  const tone = level <= 0.0031308 ? level * 12.92 : 1.055 * level ** (1 / 2.4) - 0.055
  return { dark: tone, light: tone }
}

/** A part of a picture that letters stand on. */
interface Under {
  source: FileSource
  ease: number
  /** Of the whole move, 0 to 1. */
  time: number
  /** In shares of the place the picture has. */
  box: Rect
  aspect: number
}

/** Looked at where letters begin, in their middle and where they end. */
function groundsUnder(
  { box, start, end }: Lettered,
  timeline: Timeline,
  shots: SeenPictures['shots'],
  frame: Frame,
  palette: Palette,
): (Under | 'paper')[] {
  return [start, (start + end) / 2, end - 1].flatMap((sample): (Under | 'paper')[] => {
    const at = frameAtSample(sample, timeline.fps)
    const n = timeline.scenes.findIndex(({ endFrame }) => at < endFrame)
    const scene = timeline.scenes[n]
    const i = scene?.shots.findIndex(({ endFrame }) => at < endFrame) ?? -1
    const [run, shot] = [shots[n]?.[i], scene?.shots[i]]
    if (!run || !shot) return []
    const { source, ease } = run
    if (source.kind === 'card') return ['paper']
    const passed = run.first + Math.max(0, at - shot.startFrame)
    const time = Math.min(1, passed / Math.max(1, run.span - 1))
    if (source.kind !== 'panes') return [underIn(box, wholeOf(frame), { source, ease, time })]
    const { onPaper, panes } = panesOf(source.layout, frame, palette)
    const seen = panes.flatMap((pane, p): (Under | 'paper')[] => {
      const own = source.panes[p]
      const part = shared(box, pane.box)
      return own && part ? [underIn(part, pane.box, { source: own, ease, time })] : []
    })
    return onPaper && !panes.some((pane) => isInside(box, pane.box)) ? [...seen, 'paper'] : seen
  })
}

const wholeOf = ({ width, height }: Frame): Rect => ({ x: 0, y: 0, width, height })

/** What is under a box of a picture that has a place. */
const underIn = (box: Rect, place: Rect, run: Pick<Under, 'source' | 'ease' | 'time'>): Under => ({
  ...run,
  box: {
    x: (box.x - place.x) / place.width,
    y: (box.y - place.y) / place.height,
    width: box.width / place.width,
    height: box.height / place.height,
  },
  aspect: place.width / place.height,
})

/** Of a picture that stands whole: its own where it is, its ground's around it. */
function tonesOnGround(light: Light, box: Rect, aspect: number): Tones {
  const frame = { width: aspect, height: 1 }
  const place = standsWhole(light.aspect, frame, exactly)
  const part = {
    x: (box.x * frame.width - place.x) / place.width,
    y: (box.y - place.y) / place.height,
    width: (box.width * frame.width) / place.width,
    height: box.height / place.height,
  }
  const [own, all] = [tonesIn(light, part), tonesIn(light, { x: 0, y: 0, width: 1, height: 1 })]
  const ground = { dark: all.dark * GROUND_DIM, light: all.light * GROUND_DIM }
  const touches = part.x < 1 && part.y < 1 && part.x + part.width > 0 && part.y + part.height > 0
  if (!touches) return ground
  if (isInside(part, { x: 0, y: 0, width: 1, height: 1 })) return own
  return { dark: Math.min(own.dark, ground.dark), light: Math.max(own.light, ground.light) }
}
const exactly = (length: number) => length

function tonesUnder(
  { source, ease, time, box, aspect }: Under,
  lights: ReadonlyMap<string, Light>,
): Tones | undefined {
  const light = lights.get(source.item.id)
  if (!light) return undefined
  if (source.isWhole) return tonesOnGround(light, box, aspect)
  const size = { width: light.aspect, height: 1 }
  const crop = cropAt(source.move ?? WHOLE, eased(time, ease), size, aspect)
  return tonesIn(light, {
    x: (crop.x + box.x * crop.width) / size.width,
    y: crop.y + box.y * crop.height,
    width: (box.width * crop.width) / size.width,
    height: box.height * crop.height,
  })
}
