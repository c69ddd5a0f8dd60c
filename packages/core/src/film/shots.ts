import type { ChosenItem } from '../pictures/item.ts'
import { stillMove } from '../pictures/move.ts'
import type { Move } from '../pictures/view.ts'
import { type FrameRate, SAMPLE_RATE } from '../time/time.ts'
import type { Timeline, TimelineScene, TimelineShot } from '../timeline/timeline.ts'
import type { Super } from './supers/supers.ts'

/** What is seen; the plain card stands where a picture is missing or none is wanted. */
export type PictureSource =
  | { kind: 'photo'; item: ChosenItem; move: Move }
  /** `slip`: samples left out at its beginning. Without `move` it is seen whole. */
  | { kind: 'clip'; item: ChosenItem; slip: number; speed: number; move?: Move }
  | { kind: 'card'; text: string }

/** Frames `[first, first + frames)` of the `span` frames a picture is seen for altogether. */
export interface PictureRun {
  source: PictureSource
  first: number
  frames: number
  span: number
}

export interface SegmentShot extends PictureRun {
  /**
   * The picture before, which gives way to this one in so many frames; on a dip it is seen for the
   * first half of them.
   */
  lead?: { kind: 'dissolve' | 'dip'; frames: number; from: PictureRun }
}

/** Words of a narration that stand on a card in place of its picture. */
const CARD_WORDS = 7

/**
 * The shots of every scene as they are drawn; each picture goes on under the transition that
 * follows it.
 *
 * @param usable tells whether an item's file is at hand; a scene without one gets a card with its
 *   words
 */
export function filmShots(
  { scenes }: Timeline,
  usable: (item: ChosenItem) => boolean,
): SegmentShot[][] {
  const following = scenes
    .flatMap((scene) => scene.shots)
    .slice(1)
    .map((shot) => shot.transition?.frames ?? 0)
  let n = 0
  let before: PictureRun | undefined
  return scenes.map((scene) =>
    scene.shots.map((shot): SegmentShot => {
      const frames = shot.endFrame - shot.startFrame
      const stretch: PictureRun = {
        source: sourceOf(scene, shot, usable),
        first: 0,
        frames,
        span: frames + (following[n++] ?? 0),
      }
      const { transition } = shot
      const lead =
        transition && before
          ? {
              lead: {
                ...transition,
                from: {
                  ...before,
                  first: before.frames,
                  frames:
                    transition.kind === 'dip'
                      ? Math.ceil(transition.frames / 2)
                      : transition.frames,
                },
              },
            }
          : {}
      before = stretch
      return { ...stretch, ...lead }
    }),
  )
}

function sourceOf(
  scene: TimelineScene,
  { item, slip, speed, frame }: TimelineShot,
  usable: (item: ChosenItem) => boolean,
): PictureSource {
  if (!item || !usable(item))
    return {
      kind: 'card',
      text:
        scene.card ??
        scene.text
          .split(/\s+/)
          .slice(0, CARD_WORDS + 1)
          .map((word, i) => (i === CARD_WORDS ? '…' : word))
          .join(' '),
    }
  if (item.kind === 'photo') return { kind: 'photo', item, move: frame ?? stillMove(item.id) }
  return { kind: 'clip', item, slip, speed, ...(frame ? { move: frame } : {}) }
}

/**
 * * Everything some shots show, in the order they are read: of each what goes before, then its own.
 *
 * @returns one or two a shot: two where another picture gives way to it
 */
export const pictureRuns = (shots: readonly SegmentShot[]): PictureRun[] =>
  shots.flatMap(({ lead, ...own }) => (lead ? [lead.from, own] : [own]))

/**
 * The words on plain cards, times in samples from the first shot; on a card that gives way they
 * fade with it.
 */
export function cardSupers(shots: readonly SegmentShot[], [num, den]: FrameRate): Super[] {
  const at = (frame: number) => Math.round((frame * SAMPLE_RATE * den) / num)
  const ms = (frames: number) => Math.round((frames * 1000 * den) / num)
  let frame = 0
  return shots.flatMap(({ source, frames, lead }): Super[] => {
    const start = frame
    frame += frames
    const gone: Super[] =
      lead?.from.source.kind === 'card'
        ? [
            {
              style: 'Card',
              text: lead.from.source.text,
              start: at(start),
              end: at(start + lead.from.frames),
              fade: { inMs: 0, outMs: ms(lead.from.frames) },
            },
          ]
        : []
    const fade = lead && { fade: { inMs: ms(lead.frames), outMs: 0 } }
    return [
      ...gone,
      ...(source.kind === 'card'
        ? [{ style: 'Card' as const, text: source.text, start: at(start), end: at(frame), ...fade }]
        : []),
    ]
  })
}
