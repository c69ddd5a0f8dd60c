import type { ChosenItem } from '../match/item.ts'
import { shortHash } from '../hash.ts'
import type { Cue } from '../subtitles/cues.ts'
import { assDocument } from '../supers/ass.ts'
import type { Super } from '../supers/supers.ts'
import { sampleAtFrame, SAMPLE_RATE, type FrameRate } from '../time.ts'
import type { Timeline } from '../timeline/timeline.ts'
import { stillMove, type Move } from '../picture/move.ts'

export interface FilmShape {
  width: number
  height: number
  fps: FrameRate
  burnIn: boolean
}

export interface SegmentShot {
  frames: number
  /** Where the picture's file is; the plain card when there is none. */
  source: { kind: 'clip' | 'photo'; item: ChosenItem; move: Move } | { kind: 'card'; text: string }
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
const RECIPE = 4

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
  return timeline.scenes.flatMap((scene, n): Segment[] => {
    const frames = scene.endFrame - scene.startFrame
    if (frames === 0) return []
    const from = sampleAtFrame(scene.startFrame, shape.fps)
    const to = sampleAtFrame(scene.endFrame, shape.fps)
    const shots = scene.shots.map((shot): SegmentShot => {
      const item = shot.item && usable(shot.item) ? shot.item : null
      return {
        frames: shot.endFrame - shot.startFrame,
        source: item ? { kind: item.kind, item, move: stillMove(item.id) } : { kind: 'card', text: scene.text },
      }
    })
    const ass = assDocument({
      width: shape.width,
      height: shape.height,
      cues: shape.burnIn ? within(content.cues, from, to) : [],
      supers: [...within(all, from, to).map((s) => trimFade(s, all, from, to)), ...cards(scene.shots.length, shots, scene.text, shape.fps)],
    })
    const recipe = { RECIPE, shots: shots.map(nameOf), ass, width: shape.width, height: shape.height, fps: shape.fps, first: n === 0 }
    return [{ scene: n, frames, shots, ass, hash: shortHash(JSON.stringify(recipe)) }]
  })
}

function nameOf({ frames, source }: SegmentShot) {
  return source.kind === 'card' ? { frames, card: source.text } : { frames, id: source.item.id, from: source.item.source, move: source.move }
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

/** The words of a scene without a picture, on its plain card. */
function cards(count: number, shots: readonly SegmentShot[], text: string, [num, den]: FrameRate): Super[] {
  let frame = 0
  return shots.slice(0, Math.max(1, count)).flatMap((shot): Super[] => {
    const start = frame
    frame += shot.frames
    if (shot.source.kind !== 'card') return []
    const at = (f: number) => Math.round((f * SAMPLE_RATE * den) / num)
    const short = text.split(/\s+/).slice(0, 7).join(' ')
    return [{ style: 'Card', text: short === text ? text : `${short} …`, start: at(start), end: at(frame) }]
  })
}
