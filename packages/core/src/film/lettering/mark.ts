import { type FaceId, familyOf } from '../../style/faces.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { assAlpha, assColour, assRuns, assTime, isRightToLeft } from './ass-text.ts'
import { type Rect, shared } from './frame.ts'
import { ascentOf, inkHeights, textWidth } from './measure.ts'
import type { Shape } from './shapes.ts'

/** Where a line of text stands against its point. */
export type Align = 'left' | 'centre' | 'right'

/** What a mark is: one line of text, or a shape. */
export type MarkBody =
  | { kind: 'text'; text: string; face: FaceId; size: number; align: Align }
  | { kind: 'shape'; shape: Shape }

/** How a mark comes; times in ms from its start. */
export interface MarkEntrance {
  /** From below, by so many pixels. */
  rise?: number
  /** A little larger than it stays, at first. */
  pop?: true
  /** Letter by letter, over so many ms. */
  typedMs?: number
  /** A shape that grows from nothing, from its left or its foot, after a while. */
  grow?: { way: 'across' | 'up'; afterMs: number; ms: number }
  /** Unseen until then, while all that moves it goes on. */
  comesMs?: number
  /** Larger by and by, away from a point of the picture; letters only move along. */
  push?: { x: number; y: number; by: number; ms: number }
}

/** One thing that is written or drawn, in pixels; times in samples, `[start, end)`. */
export interface Mark extends MarkEntrance {
  body: MarkBody
  /** Of its top, and of its left edge, middle or right edge as it is aligned. */
  x: number
  y: number
  start: number
  end: number
  /** Later ones lie over earlier ones. */
  layer: number
  colour: string
  opacity?: number
  edge?: { colour: string; width: number }
  /** Of its rim, in pixels; a soft shade counts for nothing in the box around what is seen. */
  blur?: number
  /** A box of one colour behind letters, soft or not: laid under all that libass draws. */
  isGround?: true
  fade?: { inMs: number; outMs: number }
  /** Only what lies in it is seen. */
  within?: Rect
}

const RISE_MS = 320
const POP_MS = 160
const px = (n: number) => String(Math.round(n * 100) / 100)
const ALIGNED = { left: 7, centre: 8, right: 9 } as const

/** The letters or the shape itself, as libass will draw it: without what lies softly around it. */
export function inkBox({ within, ...mark }: Mark): Rect {
  const box = wholeBox(mark)
  return within ? (shared(box, within) ?? { ...within, width: 0, height: 0 }) : box
}

function wholeBox({ body, x, y, edge }: Mark): Rect {
  const rim = edge?.width ?? 0
  if (body.kind === 'shape')
    return {
      x: x - rim,
      y: y - rim,
      width: body.shape.width + 2 * rim,
      height: body.shape.height + 2 * rim,
    }
  const width = textWidth(body.text, body)
  const baseline = y + ascentOf(body)
  const { above, below } = inkHeights(body.text, body)
  const left = x - { left: 0, centre: width / 2, right: width }[body.align]
  return {
    x: left - rim,
    y: baseline - above - rim,
    width: width + 2 * rim,
    height: above + below + 2 * rim,
  }
}

/**
 * A mark as one event of an ASS document that has the style `Drawn`; times in hundredths of seconds.
 */
export function assEvent(mark: Mark): string {
  const tags = [
    placeTags(mark),
    colourTags(mark),
    entranceTags(mark),
    fadeTag(mark),
    withinTag(mark),
  ].join('')
  const head = `Dialogue: ${mark.layer},${assTime(mark.start)},${assTime(mark.end)},Drawn,,0,0,0,,`
  if (mark.body.kind === 'shape') return `${head}{${tags}\\p4}${mark.body.shape.path}{\\p0}`
  const { face, size, text } = mark.body
  const letters = `\\fn${familyOf(face)}\\fs${px(size)}${isRightToLeft(text) ? '\\fe-1' : ''}`
  return `${head}{${tags}${letters}}${typed(mark, text, face)}`
}

function placeTags({ body, x, y, rise, grow, push }: Mark): string {
  // What grows upwards stands on its foot.
  const onFoot = body.kind === 'shape' && grow?.way === 'up'
  const top = onFoot ? y + body.shape.height : y
  const corner = onFoot ? 1 : 7
  const aligned = body.kind === 'text' ? ALIGNED[body.align] : corner
  if (push) return `\\an${aligned}${pushed(x, y, push)}${body.kind === 'shape' ? larger(push) : ''}`
  const at = rise
    ? `\\move(${px(x)},${px(top + rise)},${px(x)},${px(top)},0,${RISE_MS})`
    : `\\pos(${px(x)},${px(top)})`
  return `\\an${aligned}${at}`
}

/** Its point goes away from the middle as fast as everything grows: both are even in time. */
const pushed = (x: number, y: number, push: NonNullable<Mark['push']>) =>
  `\\move(${px(x)},${px(y)},${px(push.x + (x - push.x) * push.by)},` +
  `${px(push.y + (y - push.y) * push.by)},0,${push.ms})`

const larger = ({ by, ms }: NonNullable<Mark['push']>) =>
  `\\t(0,${ms},\\fscx${px(by * 100)}\\fscy${px(by * 100)})`

const withinTag = ({ within }: Mark) =>
  within
    ? `\\clip(${[within.x, within.y, within.x + within.width, within.y + within.height]
        .map(Math.round)
        .join(',')})`
    : ''

function colourTags({ colour, opacity = 1, edge, blur }: Mark): string {
  const rim = edge ? `\\bord${px(edge.width)}\\3c${assColour(edge.colour)}` : '\\bord0'
  const seen = opacity < 1 ? `\\1a${assAlpha(opacity)}` : ''
  return `\\1c${assColour(colour)}${seen}${rim}${blur ? `\\blur${px(blur)}` : ''}`
}

function entranceTags({ pop, grow, comesMs }: Mark): string {
  if (comesMs) return `\\alpha&HFF&\\t(${comesMs},${comesMs + 60},\\alpha&H00&)`
  if (pop)
    return `\\fscx70\\fscy70\\t(0,${POP_MS},\\fscx104\\fscy104)\\t(${POP_MS},${POP_MS * 1.6},\\fscx100\\fscy100)`
  if (!grow) return ''
  const side = grow.way === 'across' ? 'x' : 'y'
  return `\\fsc${side}0\\t(${grow.afterMs},${grow.afterMs + grow.ms},0.6,\\fsc${side}100)`
}

const fadeTag = ({ fade, rise }: Mark) => {
  if (fade) return `\\fad(${fade.inMs},${fade.outMs})`
  return rise ? `\\fad(${RISE_MS},0)` : ''
}

/** Letters that come one by one are hidden until then: the line stands where it will stand. */
function typed({ typedMs, start, end }: Mark, text: string, face: FaceId): string {
  if (!typedMs) return assRuns(text, face)
  const letters = [...new Intl.Segmenter().segment(text)].map(({ segment }) => segment)
  const whole = Math.min(typedMs, ((end - start) / SAMPLE_RATE) * 500)
  return letters
    .map((letter, i) => {
      const at = Math.round((whole * i) / letters.length)
      return `{\\alpha&HFF&\\t(${at},${at + 1},\\alpha&H00&)}${assRuns(letter, face)}`
    })
    .join('')
}

/** Marks moved as one, by so many pixels. */
export const moved = (marks: readonly Mark[], x: number, y: number): Mark[] =>
  marks.map((mark) => ({
    ...mark,
    x: mark.x + x,
    y: mark.y + y,
    ...(mark.push ? { push: { ...mark.push, x: mark.push.x + x, y: mark.push.y + y } } : {}),
    ...(mark.within
      ? { within: { ...mark.within, x: mark.within.x + x, y: mark.within.y + y } }
      : {}),
  }))
