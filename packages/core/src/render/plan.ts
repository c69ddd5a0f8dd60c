import type { ChosenItem } from '../match/item.ts'
import { shortHash } from '../hash.ts'
import type { Cue } from '../subtitles/cues.ts'
import { assDocument } from '../supers/ass.ts'
import type { Super } from '../supers/supers.ts'
import { sampleAtFrame, SAMPLE_RATE, type FrameRate } from '../time.ts'
import type { Timeline, TimelineScene, TimelineShot } from '../timeline/timeline.ts'
import { stillMove, type Move } from '../picture/move.ts'

export interface FilmShape {
  width: number
  height: number
  fps: FrameRate
  burnIn: boolean
}

/** What is seen; the plain card stands where a picture is missing or none is wanted. */
export type PictureSource =
  | { kind: 'photo'; item: ChosenItem; move: Move }
  /** `slip`: samples left out at its beginning. Without `move` it is seen whole. */
  | { kind: 'clip'; item: ChosenItem; slip: number; speed: number; move?: Move }
  | { kind: 'card'; text: string }

/** Frames `[first, first + frames)` of the `span` frames a picture is seen for altogether. */
export interface Stretch {
  source: PictureSource
  first: number
  frames: number
  span: number
}

export interface SegmentShot extends Stretch {
  /** The picture before, which gives way to this one in so many frames; on a dip it is seen for the first half of them. */
  lead?: { kind: 'dissolve' | 'dip'; frames: number; from: Stretch }
}

/** A piece of the film that is encoded by itself and kept: one scene. */
export interface Segment {
  scene: number
  frames: number
  shots: SegmentShot[]
  /** Everything written on this piece, times from its own start. */
  ass: string
  /** Name of the finished piece: equal for equal input, whatever the film around it. */
  hash: string
}

/** Changes whenever the encoder's arguments or the drawing change, so that old segments are not taken for new. */
const RECIPE = 5

/** Words of a narration that stand on a card in place of its picture. */
const CARD_WORDS = 7

/**
 * Cuts a film into segments.
 *
 * @param usable tells whether an item's file is at hand; a scene without one gets a card with its words
 */
export function renderPlan(
  timeline: Timeline,
  content: { cues: readonly Cue[]; supers: readonly Super[] },
  shape: FilmShape,
  usable: (item: ChosenItem) => boolean,
): Segment[] {
  const all = [...content.supers]
  const shots = shotsOf(timeline, usable)
  return timeline.scenes.flatMap((scene, n): Segment[] => {
    const frames = scene.endFrame - scene.startFrame
    if (frames === 0) return []
    const from = sampleAtFrame(scene.startFrame, shape.fps)
    const to = sampleAtFrame(scene.endFrame, shape.fps)
    const seen = shots[n]!
    const ass = assDocument({
      width: shape.width,
      height: shape.height,
      cues: shape.burnIn ? within(content.cues, from, to) : [],
      supers: [...within(all, from, to).map((s) => trimFade(s, all, from, to)), ...cardSupers(seen, shape.fps)],
    })
    const recipe = { RECIPE, shots: seen.map(nameOf), ass, width: shape.width, height: shape.height, fps: shape.fps, first: n === 0 }
    return [{ scene: n, frames, shots: seen, ass, hash: shortHash(JSON.stringify(recipe)) }]
  })
}

/** The shots of every scene; each picture goes on under the transition that follows it. */
function shotsOf({ scenes }: Timeline, usable: (item: ChosenItem) => boolean): SegmentShot[][] {
  const following = scenes.flatMap((scene) => scene.shots).slice(1).map((shot) => shot.transition?.frames ?? 0)
  let n = 0
  let before: Stretch | undefined
  return scenes.map((scene) => scene.shots.map((shot): SegmentShot => {
    const frames = shot.endFrame - shot.startFrame
    const stretch: Stretch = { source: sourceOf(scene, shot, usable), first: 0, frames, span: frames + (following[n++] ?? 0) }
    const { transition } = shot
    const lead = transition && before ? { lead: { ...transition, from: { ...before, first: before.frames, frames: transition.kind === 'dip' ? Math.ceil(transition.frames / 2) : transition.frames } } } : {}
    before = stretch
    return { ...stretch, ...lead }
  }))
}

function sourceOf(scene: TimelineScene, { item, slip, speed, frame }: TimelineShot, usable: (item: ChosenItem) => boolean): PictureSource {
  if (!item || !usable(item)) return { kind: 'card', text: scene.card ?? scene.text.split(/\s+/).slice(0, CARD_WORDS + 1).map((word, i) => (i === CARD_WORDS ? '…' : word)).join(' ') }
  if (item.kind === 'photo') return { kind: 'photo', item, move: frame ?? stillMove(item.id) }
  return { kind: 'clip', item, slip, speed, ...(frame ? { move: frame } : {}) }
}

/** Everything a segment shows, in the order the encoder reads it: of each shot what goes before, then its own. */
export const stretchesOf = ({ shots }: Pick<Segment, 'shots'>): Stretch[] => shots.flatMap(({ lead, ...own }) => (lead ? [lead.from, own] : [own]))

function nameOf({ lead, ...own }: SegmentShot): unknown {
  const name = ({ source, ...rest }: Stretch) => (source.kind === 'card' ? { ...rest, card: source.text } : { ...rest, ...source, item: [source.item.id, source.item.source] })
  return [name(own), ...(lead ? [lead.kind, lead.frames, name(lead.from)] : [])]
}

function within<T extends { start: number; end: number }>(events: readonly T[], from: number, to: number): T[] {
  return events
    .filter(({ start, end }) => end > from && start < to)
    .map((event) => ({ ...event, start: Math.max(0, event.start - from), end: Math.min(to, event.end) - from }))
}

/** A super that runs on into the next segment does not fade out and in again at the cut. */
function trimFade(clipped: Super, all: readonly Super[], from: number, to: number): Super {
  const whole = all.find((s) => s.text === clipped.text && s.style === clipped.style && s.end > from && s.start < to)
  if (!whole?.fade) return clipped
  return { ...clipped, fade: { inMs: whole.start < from ? 0 : whole.fade.inMs, outMs: whole.end > to ? 0 : whole.fade.outMs } }
}

/** The words on plain cards; on a card that gives way they fade with it. */
function cardSupers(shots: readonly SegmentShot[], [num, den]: FrameRate): Super[] {
  const at = (frame: number) => Math.round((frame * SAMPLE_RATE * den) / num)
  const ms = (frames: number) => Math.round((frames * 1000 * den) / num)
  let frame = 0
  return shots.flatMap(({ source, frames, lead }): Super[] => {
    const start = frame
    frame += frames
    const gone: Super[] = lead?.from.source.kind === 'card' ? [{ style: 'Card', text: lead.from.source.text, start: at(start), end: at(start + lead.from.frames), fade: { inMs: 0, outMs: ms(lead.from.frames) } }] : []
    const fade = lead && { fade: { inMs: ms(lead.frames), outMs: 0 } }
    return [...gone, ...(source.kind === 'card' ? [{ style: 'Card' as const, text: source.text, start: at(start), end: at(frame), ...fade }] : [])]
  })
}
