import { itemAt } from '../faults/certain.ts'
import { cardSupers, filmShots, type PictureRun, type SegmentShot } from '../film/shots.ts'
import type { Cue } from '../film/subtitles/cues.ts'
import { assDocument } from '../film/supers/ass.ts'
import type { Super } from '../film/supers/supers.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { shortHash } from '../text/hash.ts'
import { type FrameRate, sampleAtFrame } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'

export interface FilmShape {
  width: number
  height: number
  fps: FrameRate
  burnIn: boolean
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

/**
 * Changes whenever the encoder's arguments or the drawing change, so that old segments are not
 * taken for new.
 */
const RECIPE = 6

/**
 * Cuts a film into segments.
 *
 * @param usable tells whether an item's file is at hand; a scene without one gets a card with its
 *   words
 */
export function renderPlan(
  timeline: Timeline,
  content: { cues: readonly Cue[]; supers: readonly Super[] },
  shape: FilmShape,
  usable: (item: ChosenItem) => boolean,
): Segment[] {
  const all = [...content.supers]
  const shots = filmShots(timeline, usable)
  return timeline.scenes.flatMap((scene, n): Segment[] => {
    const frames = scene.endFrame - scene.startFrame
    if (frames === 0) return []
    const from = sampleAtFrame(scene.startFrame, shape.fps)
    const to = sampleAtFrame(scene.endFrame, shape.fps)
    const seen = itemAt(shots, n)
    const ass = assDocument({
      width: shape.width,
      height: shape.height,
      cues: shape.burnIn ? within(content.cues, from, to) : [],
      supers: [
        ...within(all, from, to).map((s) => trimFade(s, all, from, to)),
        ...cardSupers(seen, shape.fps),
      ],
    })
    const recipe = {
      RECIPE,
      shots: seen.map(nameOf),
      ass,
      width: shape.width,
      height: shape.height,
      fps: shape.fps,
      first: n === 0,
    }
    return [{ scene: n, frames, shots: seen, ass, hash: shortHash(JSON.stringify(recipe)) }]
  })
}

function nameOf({ lead, ...own }: SegmentShot): unknown {
  const name = ({ source, ...rest }: PictureRun) =>
    source.kind === 'card'
      ? { ...rest, card: source.text }
      : { ...rest, ...source, item: [source.item.id, source.item.source] }
  return [name(own), ...(lead ? [lead.kind, lead.frames, name(lead.from)] : [])]
}

function within<T extends { start: number; end: number }>(
  events: readonly T[],
  from: number,
  to: number,
): T[] {
  return events
    .filter(({ start, end }) => end > from && start < to)
    .map((event) => ({
      ...event,
      start: Math.max(0, event.start - from),
      end: Math.min(to, event.end) - from,
    }))
}

/** A super that runs on into the next segment does not fade out and in again at the cut. */
function trimFade(clipped: Super, all: readonly Super[], from: number, to: number): Super {
  const whole = all.find(
    (s) => s.text === clipped.text && s.style === clipped.style && s.end > from && s.start < to,
  )
  if (!whole?.fade) return clipped
  return {
    ...clipped,
    fade: {
      inMs: whole.start < from ? 0 : whole.fade.inMs,
      outMs: whole.end > to ? 0 : whole.fade.outMs,
    },
  }
}
