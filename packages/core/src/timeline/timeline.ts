import type { Fit, HeardClip } from '../document/document.ts'
import type { Film, FilmScene } from '../document/film-scenes.ts'
import { itemAt, lastOf } from '../faults/certain.ts'
import { type Grade, gradeOver } from '../pictures/grade/grade.ts'
import type { Inlay, Layout } from '../pictures/inlay.ts'
import type { ChosenItem } from '../pictures/item.ts'
import type { Move } from '../pictures/view.ts'
import type { Span } from '../speech/marks.ts'
import { type SpokenWord, wordTimes } from '../speech/word-times.ts'
import type { Passage } from '../style/transition.ts'
import {
  frameAtSample,
  type FrameRate,
  SAMPLE_RATE,
  sampleAtFrame,
  samplesFromSeconds,
} from '../time/time.ts'

/** What a take tells the timeline; positions in samples from the take's own start. */
export interface TakeFacts {
  samples: number
  /** Silences inside the take, in order. */
  pauses: readonly (readonly [from: number, to: number])[]
  /** Where each word of the narration is; left out where its voice does not tell. */
  words?: readonly Span[]
  /**
   * Breaths and fillers that were heard in a recording, whether or not tightening took them out.
   */
  noises?: { breaths: number; fillers: number }
  /** Samples that tightening took out of it. */
  saved?: number
  /** How loud it is, twenty times a second: a digit each, 0 for silence to 9 (`speechLevels`). */
  levels?: string
}

export interface TimelineShot {
  startFrame: number
  /** Exclusive. */
  endFrame: number
  item: ChosenItem | null
  /**
   * Which of the scene's shots in the document this is; -1 when it has none, or another scene's is
   * seen.
   */
  shot: number
  /**
   * `on`: the picture of the shot before goes on, it is seen in the same way; `early`: it is the
   * first picture of the scene after.
   */
  standing?: 'on' | 'early'
  /** Samples of a clip left out at its beginning, and how fast it runs. */
  slip: number
  speed: number
  /** How it is framed, when a person said so. */
  frame?: Move
  /** Whether it fills the film or stands in it whole, when a person said so. */
  fit?: Fit
  /** How it shares the film's picture with another. */
  layout?: Layout
  /** Its colours, the film's and its own together; left out where they are as they are. */
  grade?: Grade
  /** A clip's own sound, where it is let through. */
  heard?: HeardClip
  /** How it takes over from the picture before, beginning with its first frame. */
  transition?: Passage
}

export interface TimelineScene {
  id: string
  text: string
  /** Words on a plain card, of a scene that nobody speaks. */
  card?: string
  chapter: number
  startSample: number
  /** Exclusive; where the next scene starts. */
  endSample: number
  startFrame: number
  endFrame: number
  speechStart: number
  speechEnd: number
  /** Times from the start of the film. */
  words: SpokenWord[]
  shots: TimelineShot[]
  /** Laid over its pictures. */
  inlays?: readonly Inlay[]
  /** How loud its voice is from `speechStart` on, as `TakeFacts` says. */
  levels?: string
}

export interface Timeline {
  fps: FrameRate
  frames: number
  samples: number
  scenes: TimelineScene[]
  chapters: { title: string; startSample: number }[]
}

/**
 * Silence that every take begins and ends with, in samples: a pause that was asked for is counted
 * from sound to sound.
 */
export const TAKE_EDGE = Math.round(0.05 * SAMPLE_RATE)

/**
 * Silence around speech, in seconds: calm enough to follow, short enough not to drag (common
 * practice).
 */
const AIR = {
  film: 0.6,
  chapter: 0.9,
  sentence: 0.32,
  clause: 0.08,
  paragraph: 0.6,
  chapterEnd: 0.7,
  tail: 2,
}
const ENDS = /[.!?…。！？؟]["'’”»)\]]*$/
/** A second picture is not shown for less than this. */
const SHORTEST_SHOT_SECONDS = 2

type Airy = Pick<
  FilmScene,
  | 'chapter'
  | 'directions'
  | 'opensParagraph'
  | 'text'
  | 'estimatedSeconds'
  | 'length'
  | 'card'
  | 'pace'
>
type Paced = Pick<Film, 'speed' | 'pauses' | 'rate'> &
  Partial<Pick<Film, 'alone'>> & { scenes: readonly Airy[] }

/** Seconds of silence behind a scene where no pause was asked for. */
function usualAir(scene: Airy, next: Airy | undefined): number {
  if (!next) return AIR.tail
  if (next.chapter !== scene.chapter) return AIR.chapterEnd
  if (next.opensParagraph) return AIR.paragraph
  return ENDS.test(scene.text) ? AIR.sentence : AIR.clause
}

/**
 * Seconds of silence before and after a scene's take; a pause that was asked for is exact from
 * sound to sound.
 */
export function airAround(
  { scenes, pauses, alone }: Pick<Paced, 'scenes' | 'pauses' | 'alone'>,
  i: number,
): { before: number; after: number } {
  const scene = itemAt(scenes, i)
  const next = scenes[i + 1]
  if (scene.card !== undefined) return { before: 0, after: 0 }
  const opensChapter = scene.chapter >= 0 && scene.chapter !== scenes[i - 1]?.chapter
  const asked = scene.directions.reduce((sum, d) => sum + (d.kind === 'pause' ? d.seconds : 0), 0)
  const usual = usualAir(scene, next)
  const first = i === 0 ? AIR.film : 0
  const opening = opensChapter ? AIR.chapter : first
  const edges = (next && next.card === undefined ? 2 : 1) * (TAKE_EDGE / SAMPLE_RATE)
  const exact = Math.max(0, asked - edges)
  const before = i === 0 ? opening : opening * pauses
  const after = asked ? Math.max(exact, next ? 0 : AIR.tail) : usual * (next ? pauses : 1)
  return {
    before: Math.max(before, aloneBefore(scenes, i, alone)),
    after: Math.max(after, aloneAfter(scenes, i, alone)),
  }
}

const isSpoken = ({ card }: Airy) => card === undefined
const cardSeconds = (cards: readonly Airy[]) =>
  cards.reduce((sum, { length = 0 }) => sum + length / SAMPLE_RATE, 0)

/** Seconds the music is alone for before the first word: what an opening card leaves of them. */
function aloneBefore(scenes: readonly Airy[], i: number, alone: Film['alone'] | undefined): number {
  if (!alone?.opens || i !== scenes.findIndex(isSpoken)) return 0
  return alone.opens - cardSeconds(scenes.slice(0, i))
}

/** The same after the last word. */
function aloneAfter(scenes: readonly Airy[], i: number, alone: Film['alone'] | undefined): number {
  if (!alone?.closes || i !== scenes.findLastIndex(isSpoken)) return 0
  return alone.closes - cardSeconds(scenes.slice(i + 1))
}

/**
 * Samples before, of and after a scene's speech: a length a person set adds silence or takes it
 * away, never speech.
 */
function lengthsOf(
  film: Paced,
  i: number,
  speech: number,
): { before: number; speech: number; after: number } {
  const { length } = itemAt(film.scenes, i)
  const air = airAround(film, i)
  const before = samplesFromSeconds(air.before)
  const after =
    length === undefined ? samplesFromSeconds(air.after) : Math.max(0, length - before - speech)
  return { before, speech, after }
}

const estimated = ({ estimatedSeconds, pace = 1 }: Airy, { speed, rate }: Paced) =>
  samplesFromSeconds((estimatedSeconds * rate) / (speed * pace))

/**
 * Seconds every scene lasts by the estimate, before anyone has spoken.
 *
 * @param speed of the film, over its voice's rate where that has been measured
 */
export function sceneSeconds(scenes: readonly Airy[], speed = 1, pauses = 1): number[] {
  const film: Paced = { scenes, speed, pauses, rate: 1 }
  return scenes.map((scene, i) => {
    const { before, speech, after } = lengthsOf(film, i, estimated(scene, film))
    return (before + speech + after) / SAMPLE_RATE
  })
}

/**
 * Exact frames and samples of a film: a pure function of what is decided and of its takes.
 *
 * Scene boundaries are added up in samples and rounded to frames from the film's start, so picture
 * and sound never part by more than half a frame. Scenes and shots tile the film without gap or
 * overlap.
 *
 * @param takes one a scene of the film, in order; the estimate stands in for a missing one
 */
export function timeline(
  film: Film,
  takes: readonly (TakeFacts | undefined)[],
  fps: FrameRate,
): Timeline {
  let at = 0
  const whole = gradeOver(film.grade)
  const scenes = film.scenes.map((scene, i): TimelineScene => {
    const take = takes[i] ?? { samples: estimated(scene, film), pauses: [] }
    const { before, speech, after } = lengthsOf(film, i, take.samples)
    const startSample = at
    const speechStart = at + before
    const speechEnd = speechStart + speech
    at = speechEnd + after
    const words = scene.text
      ? wordTimes(scene.text, take).map((w) => ({
          ...w,
          start: w.start + speechStart,
          end: w.end + speechStart,
        }))
      : []
    const frames = { startFrame: frameAtSample(startSample, fps), endFrame: frameAtSample(at, fps) }
    return {
      id: scene.id,
      text: scene.text,
      chapter: scene.chapter,
      ...(scene.card === undefined ? {} : { card: scene.card }),
      startSample,
      endSample: at,
      speechStart,
      speechEnd,
      words,
      ...frames,
      shots: graded(
        tileShots(scene.shots, frames.startFrame, frames.endFrame, words, fps),
        scene,
        whole,
      ),
      ...(scene.inlays ? { inlays: scene.inlays } : {}),
      ...(take.levels ? { levels: take.levels } : {}),
    }
  })
  film.scenes.forEach(({ begins }, n) => {
    const [before, scene] = [scenes[n - 1], itemAt(scenes, n)]
    if (before && begins === 'hold') holdOver(before, scene)
    if (before && begins === 'early') beginEarly(before, scene, fps)
  })
  placeTransitions(scenes, film, fps)
  const chapters = film.chapters.flatMap(({ title }, c) => {
    const first = scenes.find((scene) => scene.chapter === c)
    return first ? [{ title, startSample: first.startSample }] : []
  })
  return { fps, frames: frameAtSample(at, fps), samples: at, scenes, chapters }
}

/** Shots with their colours: what the film has, and what is each one's own on top. */
const graded = (
  tiled: TimelineShot[],
  { shots }: Pick<FilmScene, 'shots'>,
  film: Grade,
): TimelineShot[] =>
  tiled.map((tile) => {
    const own = shots[tile.shot]?.grade
    const grade = own ? gradeOver(film, own) : film
    return Object.keys(grade).length ? { ...tile, grade } : tile
  })

/**
 * A scene's frames among its shots: cuts set to a word fall on it, the shots between two of them
 * share evenly.
 */
function tileShots(
  shots: FilmScene['shots'],
  start: number,
  end: number,
  words: readonly SpokenWord[],
  fps: FrameRate,
): TimelineShot[] {
  const runs: { from: number; first: number }[] = [{ from: start, first: 0 }]
  shots.forEach(({ word }, i) => {
    const from = word === undefined ? -1 : frameAtSample(words[word]?.start ?? 0, fps)
    if (from > lastOf(runs).from && from < end) runs.push({ from, first: i })
  })
  return runs.flatMap(({ from, first }, r) => {
    const next = runs[r + 1]
    const count = Math.max(1, (next?.first ?? shots.length) - first)
    return evenCuts(from, next?.from ?? end, count, words, fps).map(
      ([startFrame, endFrame], i): TimelineShot => {
        const {
          item = null,
          slip = 0,
          speed = 1,
          frame,
          fit,
          layout,
          heard,
        } = shots[first + i] ?? {}
        return {
          startFrame,
          endFrame,
          item,
          shot: shots[first + i] ? first + i : -1,
          slip,
          speed,
          ...(frame ? { frame } : {}),
          ...(fit ? { fit } : {}),
          ...(layout ? { layout } : {}),
          ...(heard ? { heard } : {}),
        }
      },
    )
  })
}

/**
 * Shares frames among shots, each cut on the start of the word nearest to an equal share; shots
 * that would flash by are left out.
 */
function evenCuts(
  start: number,
  end: number,
  wanted: number,
  words: readonly SpokenWord[],
  fps: FrameRate,
): [number, number][] {
  const shortest = (SHORTEST_SHOT_SECONDS * fps[0]) / fps[1]
  const count = Math.max(1, Math.min(wanted, Math.floor((end - start) / shortest) || 1))
  const cuts = [start]
  for (let i = 1; i < count; i++) {
    const even = start + ((end - start) * i) / count
    const places = words
      .map((word) => frameAtSample(word.start, fps))
      .filter((f) => f - lastOf(cuts) >= shortest && end - f >= shortest * (count - i))
    cuts.push(
      places.length
        ? places.reduce((a, b) => (Math.abs(b - even) < Math.abs(a - even) ? b : a))
        : Math.round(even),
    )
  }
  return cuts.map((cut, i) => [cut, cuts[i + 1] ?? end])
}

/** How a picture is seen goes with it. */
const seenAs = ({ item, slip, speed, frame, fit, layout, heard, grade }: TimelineShot) => ({
  item,
  slip,
  speed,
  ...(frame ? { frame } : {}),
  ...(fit ? { fit } : {}),
  ...(layout ? { layout } : {}),
  ...(heard ? { heard } : {}),
  ...(grade ? { grade } : {}),
})

/** The last picture of a scene goes on in place of the first of the next. */
function holdOver(before: TimelineScene, scene: TimelineScene) {
  const { startFrame, endFrame } = itemAt(scene.shots, 0)
  const seen = seenAs(lastOf(before.shots))
  scene.shots[0] = { startFrame, endFrame, shot: -1, standing: 'on', ...seen }
}

/**
 * A scene's first picture begins under the last word of the scene before, where that leaves enough
 * of the picture there.
 */
function beginEarly(before: TimelineScene, scene: TimelineScene, fps: FrameRate) {
  const [last, own] = [lastOf(before.shots), itemAt(scene.shots, 0)]
  const word = before.words.at(-1)
  const startFrame = word ? frameAtSample(word.start, fps) : before.endFrame
  const { endFrame } = last
  if (startFrame - last.startFrame < (SHORTEST_SHOT_SECONDS * fps[0]) / fps[1]) return
  if (startFrame >= endFrame) return
  last.endFrame = startFrame
  before.shots.push({ startFrame, endFrame, shot: -1, standing: 'early', ...seenAs(own) })
  own.standing = 'on'
}

/** A transition lasts no longer than either picture; one that goes on has none. */
function placeTransitions(scenes: readonly TimelineScene[], film: Film, fps: FrameRate) {
  let before = 0
  scenes.forEach((scene, i) => {
    for (const shot of scene.shots) {
      const length = shot.endFrame - shot.startFrame
      if (shot.standing === 'on') {
        before += length
        continue
      }
      const decided =
        shot.standing === 'early'
          ? film.scenes[i + 1]?.shots[0]
          : itemAt(film.scenes, i).shots[shot.shot]
      const { kind, samples, ...how } = decided?.transition ?? film.transition
      const frames = Math.min(frameAtSample(samples, fps), before, length)
      if (kind !== 'cut' && frames > 0) shot.transition = { kind, frames, ...how }
      before = length
    }
  })
}

/** Which scene of a film is heard or seen at a sample; -1 beyond its end. */
export const sceneIndexAt = ({ scenes }: Pick<Timeline, 'scenes'>, sample: number): number =>
  scenes.findIndex(({ endSample }) => sample < endSample)

/** Where a stretch that a scene stands in ends: its own end, its chapter's, or the film's. */
export function stretchEnd(
  { scenes, samples }: Pick<Timeline, 'scenes' | 'samples'>,
  scene: TimelineScene,
  stretch: 'scene' | 'chapter' | 'film',
): number {
  if (stretch === 'film') return samples
  if (stretch === 'scene') return scene.endSample
  return scenes.findLast(({ chapter }) => chapter === scene.chapter)?.endSample ?? samples
}

/** Samples of sound a film of so many frames needs: the picture decides, to the sample. */
export const soundSamples = ({ frames, fps }: Timeline) => sampleAtFrame(frames, fps)
