import { itemAt } from '../faults/certain.ts'
import type { Framing } from '../pictures/framing.ts'
import type { Grade } from '../pictures/grade/grade.ts'
import { matchedGrade, usualCast } from '../pictures/grade/match.ts'
import type { LayoutKind } from '../pictures/inlay.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { easeOf, type MoveKind, moveKind } from '../pictures/move.ts'
import type { Move } from '../pictures/view.ts'
import type { Passage } from '../style/transition.ts'
import { type FrameRate, SAMPLE_RATE } from '../time/time.ts'
import { filmPictures } from '../timeline/pictures.ts'
import type { Timeline, TimelineScene, TimelineShot } from '../timeline/timeline.ts'
import { type FileSource, fileSource, type Seen, UNSEEN } from './file-source.ts'
import type { CardWords } from './supers/card-marks.ts'

/** What is seen; the plain card stands where a picture is missing or none is wanted. */
export type PictureSource =
  | FileSource
  | { kind: 'card'; text: string }
  /** Pictures of a layout, in the order of `panesOf`. */
  | { kind: 'panes'; layout: LayoutKind; panes: readonly [FileSource, ...FileSource[]] }

/** Frames `[first, first + frames)` of the `span` frames a picture is seen for altogether. */
export interface PictureRun<Source = PictureSource> {
  source: Source
  first: number
  frames: number
  span: number
  /** The part of the span over which a move sets in and comes to rest (`easeOf`). */
  ease: number
}

export interface SegmentShot extends PictureRun {
  /**
   * The picture before, which gives way to this one in so many frames; on a dip it is seen for the
   * first half of them.
   */
  lead?: Passage & { from: PictureRun }
}

/** Words of a narration that stand on a card in place of its picture. */
const CARD_WORDS = 7

/**
 * The shots of every scene as they are drawn; each picture goes on under the transition that
 * follows it, and over the scenes that hold it.
 *
 * @param usable  tells whether an item's file is at hand; a scene without one gets a card with its
 *   words
 * @param framing without it the film is wide and nobody has looked at its pictures
 */
export function filmShots(
  film: Timeline,
  usable: (item: ChosenItem) => boolean,
  framing: Framing = UNSEEN,
): SegmentShot[][] {
  const usual = usualCast(castsOf(film, framing))
  const stretches = stretchesOf(film, { usable, framing: { ...framing, usual } })
  let n = 0
  return film.scenes.map(({ shots }) =>
    shots.map(({ transition }): SegmentShot => {
      const before = stretches[n - 1]
      const own = itemAt(stretches, n++)
      return transition && before ? { ...own, lead: leadFrom(before, transition) } : own
    }),
  )
}

/** Of each of its pictures once, the light it is in; none where nothing is matched. */
function castsOf({ scenes }: Timeline, { lights }: Framing) {
  const shots = scenes.flatMap((scene) => scene.shots)
  if (!shots.some(({ grade }) => grade?.match)) return []
  const ids = new Set(shots.flatMap(({ item }) => item?.id ?? []))
  return [...ids].flatMap((id) => lights.get(id)?.cast ?? [])
}

/** What pictures of a film are seen by. */
interface Seeing {
  usable: (item: ChosenItem) => boolean
  framing: Framing
}

/** What goes on of the picture before while another takes over. */
const leadFrom = (before: PictureRun, transition: Passage): NonNullable<SegmentShot['lead']> => ({
  ...transition,
  from: {
    ...before,
    first: before.first + before.frames,
    frames: transition.kind === 'dip' ? Math.ceil(transition.frames / 2) : transition.frames,
  },
})

/** Shot by shot, the part of its picture that is seen there. */
function stretchesOf(film: Timeline, seeing: Seeing): PictureRun[] {
  const times = new Map<string, number>()
  let kind: MoveKind | undefined
  return filmPictures(film).flatMap(({ parts, of, frames, after }) => {
    const { shot } = itemAt(parts, 0)
    const span = frames + after
    const seconds = (span * film.fps[1]) / film.fps[0]
    const before = shot.item ? (times.get(shot.item.id) ?? 0) : 0
    if (shot.item) times.set(shot.item.id, before + 1)
    const isStill = shot.item?.kind === 'photo' && !shot.frame
    kind = isStill && shot.item ? moveKind(shot.item.id, before, kind) : undefined
    const seen = { seconds, times: before, kind: kind ?? 'push in' }
    const source = sourceOf(of, shot, seen, seeing)
    let first = 0
    return parts.map(({ shot: { startFrame, endFrame } }): PictureRun => {
      const run = { source, first, frames: endFrame - startFrame, span, ease: easeOf(seconds) }
      first += run.frames
      return run
    })
  })
}

function sourceOf(
  scene: TimelineScene,
  shot: TimelineShot,
  seen: Seen,
  seeing: Seeing,
): PictureSource {
  const { item } = shot
  if (item && seeing.usable(item)) {
    const framing = shot.layout ? UNSEEN : seeing.framing
    const own = fileSource(item, matchedShot(shot, item, seeing), seen, framing)
    return laidOut(own, shot, seen, seeing)
  }
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
}

/** A shot with its colours brought to the others', as far as they are to be. */
function matchedShot<Graded extends { grade?: Grade }>(
  { grade, ...shot }: Graded,
  { id }: ChosenItem,
  { framing }: Seeing,
): Omit<Graded, 'grade'> & { grade?: Grade } {
  const matched = grade && matchedGrade(grade, framing.lights.get(id)?.cast, framing.usual)
  return { ...shot, ...(matched && Object.keys(matched).length ? { grade: matched } : {}) }
}

/** A picture in its layout; without the second's file it fills the film's picture as ever. */
function laidOut(
  own: FileSource,
  { layout, grade }: Pick<TimelineShot, 'layout' | 'grade'>,
  seen: Seen,
  seeing: Seeing,
): PictureSource {
  if (!layout) return own
  if (layout.kind === 'print') return { kind: 'panes', layout: 'print', panes: [own] }
  const { kind, second } = layout
  if (!seeing.usable(second)) return own
  const beside = { slip: 0, speed: 1, ...(grade ? { grade } : {}) }
  const other = fileSource(
    second,
    matchedShot(beside, second, seeing),
    { ...seen, times: 0 },
    UNSEEN,
  )
  return { kind: 'panes', layout: kind, panes: [own, other] }
}

/** The pictures of files in a source. @returns none for a card */
export function filesIn(source: PictureSource): readonly FileSource[] {
  if (source.kind === 'card') return []
  return source.kind === 'panes' ? source.panes : [source]
}

/** How a shot of the document is seen; undefined where it is not, or is seen whole. */
export function moveOf(
  film: Timeline,
  { sceneId, shot }: { sceneId: string; shot: number },
  framing: Framing,
): Move | undefined {
  const n = film.scenes.findIndex(({ id }) => id === sceneId)
  const i = film.scenes[n]?.shots.findIndex((one) => one.shot === shot) ?? -1
  const source = filmShots(film, () => true, framing)[n]?.[i]?.source
  return source && filesIn(source)[0]?.move
}

/**
 * Everything some shots show, in the order they are read: of each what goes before, then its own.
 *
 * @returns one or two a shot: two where another picture gives way to it
 */
export const pictureRuns = (shots: readonly SegmentShot[]): PictureRun[] =>
  shots.flatMap(({ lead, ...own }) => (lead ? [lead.from, own] : [own]))

/** One picture of a file, or a plain card, for as long as it is seen. */
export type PictureInput = PictureRun<Exclude<PictureSource, { kind: 'panes' }>>

/** The pictures of a stretch, those of a layout one by one. */
export const inputsOf = ({ source, ...run }: PictureRun): PictureInput[] =>
  source.kind === 'panes'
    ? source.panes.map((pane) => ({ ...run, source: pane }))
    : [{ ...run, source }]

/** Everything some shots show, file by file, in the order they are read. */
export const pictureInputs = (shots: readonly SegmentShot[]): PictureInput[] =>
  pictureRuns(shots).flatMap(inputsOf)

/**
 * The words on plain cards, times in samples from the first shot; on a card that gives way they
 * fade with it.
 */
export function cardsOf(shots: readonly SegmentShot[], [num, den]: FrameRate): CardWords[] {
  const at = (frame: number) => Math.round((frame * SAMPLE_RATE * den) / num)
  const ms = (frames: number) => Math.round((frames * 1000 * den) / num)
  let frame = 0
  return shots.flatMap(({ source, frames, lead }): CardWords[] => {
    const start = frame
    frame += frames
    const gone: CardWords[] =
      lead?.from.source.kind === 'card'
        ? [
            {
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
        ? [{ text: source.text, start: at(start), end: at(frame), ...fade }]
        : []),
    ]
  })
}
