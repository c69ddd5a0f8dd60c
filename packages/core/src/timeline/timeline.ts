import type { Document, Shot } from '../document/document.ts'
import type { ChosenItem } from '../match/item.ts'
import type { ParsedScript, ScriptScene } from '../script/parse.ts'
import { wordTimes, type SpokenWord } from '../speech/word-times.ts'
import { frameAtSample, sampleAtFrame, samplesFromSeconds, type FrameRate } from '../time.ts'

/** What a take tells the timeline; positions in samples from the take's own start. */
export interface TakeFacts {
  samples: number
  /** Silences inside the take, in order. */
  pauses: readonly (readonly [from: number, to: number])[]
}

export interface TimelineShot {
  startFrame: number
  /** Exclusive. */
  endFrame: number
  item: ChosenItem | null
}

export interface TimelineScene {
  id: string
  text: string
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
}

export interface Timeline {
  fps: FrameRate
  frames: number
  samples: number
  scenes: TimelineScene[]
  chapters: { title: string; startSample: number }[]
}

/** Silence around speech, in seconds: calm enough to follow, short enough not to drag (common practice). */
const AIR = { film: 0.6, chapter: 0.9, sentence: 0.32, clause: 0.08, paragraph: 0.6, chapterEnd: 0.7, tail: 2 }
const ENDS = /[.!?…。！？؟]["'’”»)\]]*$/
/** A second picture is not shown for less than this. */
const SHORTEST_SHOT_SECONDS = 1.6

/** Seconds of silence before and after a scene's speech. */
export function airAround(scenes: readonly ScriptScene[], i: number): { before: number; after: number } {
  const scene = scenes[i]!
  const next = scenes[i + 1]
  const opensChapter = scene.chapter >= 0 && scene.chapter !== scenes[i - 1]?.chapter
  const asked = scene.directions.reduce((sum, d) => sum + (d.kind === 'pause' ? d.seconds : 0), 0)
  const usual = !next ? AIR.tail : next.chapter !== scene.chapter ? AIR.chapterEnd : next.opensParagraph ? AIR.paragraph : ENDS.test(scene.text) ? AIR.sentence : AIR.clause
  return { before: opensChapter ? AIR.chapter : i === 0 ? AIR.film : 0, after: asked ? Math.max(asked, next ? 0 : AIR.tail) : usual }
}

/** Seconds every scene lasts, by its take where there is one, else by the estimate. */
export function sceneSeconds(scenes: readonly ScriptScene[], takes?: readonly (TakeFacts | undefined)[], speed = 1): number[] {
  return scenes.map((scene, i) => {
    const { before, after } = airAround(scenes, i)
    const take = takes?.[i]
    return before + (take ? take.samples / 48_000 : scene.estimatedSeconds / speed) + after
  })
}

/**
 * Exact frames and samples of a film: a pure function of the document, its parsed script and its takes.
 *
 * Scene boundaries are added up in samples and rounded to frames from the film's start, so picture and
 * sound never part by more than half a frame. Scenes and shots tile the film without gap or overlap.
 *
 * @param takes one a scene, in order; the estimate stands in for a missing one
 */
export function timeline(
  document: Pick<Document, 'scenes' | 'speed'>,
  parsed: ParsedScript,
  takes: readonly (TakeFacts | undefined)[],
  fps: FrameRate,
): Timeline {
  let at = 0
  const scenes = parsed.scenes.map((scene, i): TimelineScene => {
    const { before, after } = airAround(parsed.scenes, i)
    const take = takes[i] ?? { samples: samplesFromSeconds(scene.estimatedSeconds / document.speed), pauses: [] }
    const startSample = at
    const speechStart = at + samplesFromSeconds(before)
    const speechEnd = speechStart + take.samples
    at = speechEnd + samplesFromSeconds(after)
    const words = wordTimes(scene.text, take).map((w) => ({ ...w, start: w.start + speechStart, end: w.end + speechStart }))
    const frames = { startFrame: frameAtSample(startSample, fps), endFrame: frameAtSample(at, fps) }
    const decided = document.scenes[i]
    return {
      id: decided?.id ?? `s${i + 1}`,
      text: scene.text,
      chapter: scene.chapter,
      startSample, endSample: at, speechStart, speechEnd, words, ...frames,
      shots: tileShots(decided?.shots ?? [], frames.startFrame, frames.endFrame, words, fps),
    }
  })
  const chapters = parsed.chapters.flatMap(({ title }, c) => {
    const first = scenes.find((scene) => scene.chapter === c)
    return first ? [{ title, startSample: first.startSample }] : []
  })
  return { fps, frames: frameAtSample(at, fps), samples: at, scenes, chapters }
}

/** Shares a scene's frames among its shots, each cut on the start of the word nearest to an equal share. */
function tileShots(shots: readonly Shot[], start: number, end: number, words: readonly SpokenWord[], fps: FrameRate): TimelineShot[] {
  const shortest = (SHORTEST_SHOT_SECONDS * fps[0]) / fps[1]
  const count = Math.max(1, Math.min(shots.length, Math.floor((end - start) / shortest) || 1))
  const cuts = [start]
  for (let i = 1; i < count; i++) {
    const even = start + ((end - start) * i) / count
    const places = words.map((word) => frameAtSample(word.start, fps)).filter((f) => f - cuts.at(-1)! >= shortest && end - f >= shortest * (count - i))
    cuts.push(places.length ? places.reduce((a, b) => (Math.abs(b - even) < Math.abs(a - even) ? b : a)) : Math.round(even))
  }
  return cuts.map((startFrame, i) => ({ startFrame, endFrame: cuts[i + 1] ?? end, item: shots[i]?.item ?? null }))
}

/** Samples of sound a film of so many frames needs: the picture decides, to the sample. */
export const soundSamples = ({ frames, fps }: Timeline) => sampleAtFrame(frames, fps)
