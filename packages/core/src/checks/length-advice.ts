import { itemAt } from '../faults/certain.ts'
import type { ParsedScript } from '../script/parse.ts'
import { KEPT_CHARACTERS, keptByText } from '../text/kept-by-text.ts'
import { pattern } from '../text/pattern.ts'
import { sceneSeconds } from '../timeline/timeline.ts'
import { STOP_WORDS } from '../words/stop.ts'
import { chapterLengths } from './chapters.ts'

/** How near the wish a length must come. */
export const LENGTH_TOLERANCE = 0.05

export interface LengthAdvice {
  seconds: number
  wantedSeconds: number
  /** Too long: scenes to cut, the most dispensable first, until the length fits. */
  cut: { scene: number; seconds: number; why: string }[]
  /** Too short: chapters to widen, the thinnest first, with the seconds each could take. */
  widen: { chapter: number; title: string; seconds: number }[]
}

const ASIDE = pattern(
  'i',
  String.raw`^(?:of course|by the way|in other words|as (?:we|you) (?:know|said|have seen)|`,
  String.raw`needless to say|in fact|actually|basically|that is to say|put differently|`,
  String.raw`to be fair|(?:or|and) so (?:it|they) (?:say|seemed?))\b|\((?:.*)\)`,
)
/** A short sentence shares its few words with many others by chance. */
const FEWEST_TERMS = 5
const CARRIES = pattern(
  'i',
  String.raw`^(?:so|yet|but|then|that|this|here)\b|\b(?:because|so that|therefore|which is why|`,
  String.raw`that is why|first|finally|but)\b`,
)

/**
 * By how much a script misses the wished length, and what to do about it.
 *
 * A scene can go the more easily the more others say the same (shared words weigh by how rare they
 * are), the less it carries the thread on and the further it is from opening or closing a chapter.
 */
export function lengthAdvice(parsed: ParsedScript, wantedMinutes: number, speed = 1): LengthAdvice {
  const lengths = sceneSeconds(parsed.scenes, speed)
  const seconds = lengths.reduce((sum, s) => sum + s, 0)
  const wantedSeconds = wantedMinutes * 60
  const advice: LengthAdvice = { seconds, wantedSeconds, cut: [], widen: [] }
  if (seconds > wantedSeconds * (1 + LENGTH_TOLERANCE))
    advice.cut = cuts(parsed, lengths, seconds - wantedSeconds)
  else if (seconds < wantedSeconds * (1 - LENGTH_TOLERANCE))
    advice.widen = thinChapters(parsed, wantedSeconds - seconds, speed)
  return advice
}

function cuts(
  parsed: ParsedScript,
  lengths: readonly number[],
  surplus: number,
): LengthAdvice['cut'] {
  const overlapOf = overlaps(parsed.scenes.map(({ text }) => text))
  const ranked = parsed.scenes
    .map((scene, i) => ({ i, ...dispensable(parsed, i, overlapOf), chapter: scene.chapter }))
    .filter(({ worth }) => worth < Infinity)
    .sort((a, b) => a.worth - b.worth)
  const chosen: LengthAdvice['cut'] = []
  let left = surplus
  for (const { i, why } of ranked) {
    if (left <= 0) break
    chosen.push({ scene: i, seconds: itemAt(lengths, i), why })
    left -= itemAt(lengths, i)
  }
  return chosen
}

/** Lower = easier to do without. */
function dispensable(
  { scenes }: ParsedScript,
  i: number,
  overlapOf: (i: number) => Overlap,
): { worth: number; why: string } {
  const scene = itemAt(scenes, i)
  const edge =
    i === 0 ||
    i === scenes.length - 1 ||
    itemAt(scenes, i - 1).chapter !== scene.chapter ||
    itemAt(scenes, i + 1).chapter !== scene.chapter
  if (edge) return { worth: Infinity, why: '' }
  const said = overlapOf(i)
  const aside = ASIDE.test(scene.text)
  const worth =
    1 -
    said.share -
    (aside ? 0.5 : 0) +
    (CARRIES.test(scene.text) ? 0.4 : 0) +
    (/\d/.test(scene.text) ? 0.2 : 0) +
    (scene.directions.length ? 0.1 : 0)
  return { worth, why: aside ? 'an aside' : whyWithout(said) }
}

const whyWithout = ({ share, like }: { share: number; like: number }) =>
  share > 0.45 ? `says much of what scene ${like + 1} says` : 'the thread holds without it'

/** How much of a scene's words of weight are found in the one most like it, 0 to 1. */
interface Overlap {
  share: number
  like: number
}

/** Scenes that a word is looked up in: as many as a film of 25 minutes has. */
const SCENES_A_WORD = 500

/** Of each scene, found through the scenes each of its words is in. */
function overlaps(texts: readonly string[]): (i: number) => Overlap {
  const words = texts.map(weightyWords)
  const scenesOf = new Map<string, number[]>()
  words.forEach((of, i) => {
    for (const word of of) {
      const scenes = scenesOf.get(word)
      if (!scenes) scenesOf.set(word, [i])
      else if (scenes.length < SCENES_A_WORD) scenes.push(i)
    }
  })
  return (i) => {
    const own = itemAt(words, i)
    const shared = new Map<number, number>()
    for (const word of own)
      for (const scene of scenesOf.get(word) ?? [])
        if (scene !== i) shared.set(scene, (shared.get(scene) ?? 0) + 1)
    let [most, like] = [0, i]
    for (const [scene, count] of shared)
      if (count > most || (count === most && scene < like)) [most, like] = [count, scene]
    return { share: most / Math.max(FEWEST_TERMS, own.size), like }
  }
}

const weightyWords = keptByText(
  KEPT_CHARACTERS,
  (text): ReadonlySet<string> =>
    new Set(
      (text.toLowerCase().match(/\p{L}{3,}/gu) ?? [])
        .filter((word) => !STOP_WORDS.has(word))
        .map((word) => word.replace(/(?:es|s|ed|ing)$/, '')),
    ),
)

/** The missing seconds, shared out so that the shortest chapters get the most. */
function thinChapters(parsed: ParsedScript, missing: number, speed: number): LengthAdvice['widen'] {
  const lengths = chapterLengths(parsed, speed)
  const level =
    (lengths.reduce((sum, { seconds }) => sum + seconds, 0) + missing) / Math.max(1, lengths.length)
  const lacking = lengths.map((chapter) => ({
    ...chapter,
    lack: Math.max(0, level - chapter.seconds),
  }))
  const all = lacking.reduce((sum, { lack }) => sum + lack, 0) || 1
  return lacking
    .filter(({ lack }) => lack > 0)
    .sort((a, b) => b.lack - a.lack)
    .map(({ chapter, title, lack }) => ({ chapter, title, seconds: (lack / all) * missing }))
}
