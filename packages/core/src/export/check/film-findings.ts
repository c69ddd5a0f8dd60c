import type { FilmCheck, FilmFinding } from '../../render/film-finding.ts'
import { clockText } from '../../time/time.ts'
import type { MeasuredFilm, Stretch } from './measured-film.ts'
import type { ToldFilm } from './told-film.ts'

/** H.264, High profile, 8 bit; BT.709 in limited range. */
const CODEC = { codec: 'h264', profile: 'High', pixels: 'yuv420p' }
const COLOUR = 'bt709 bt709 bt709 tv'
/** DESIGN.md, 6: loudness of a film, and its true peak (EBU R 128). */
const LOUDNESS_LU = 0.5
const TRUE_PEAK = -1
/** Peaks are told in tenths. */
const PEAK_TOLERANCE = 0.1
/** Of AAC-LC (ISO/IEC 14496-3). */
const PACKET_SAMPLES = 1024
/** Where both clocks are looked at. */
const CLOCK_PLACES = 10
/** A dip through black is shorter; so long, seconds, a hole is seen as one. */
const BLACK_SECONDS = 0.5
/** A picture that stands quite still so long looks broken: a still moves, however slowly. */
const FROZEN_SECONDS = 4
/** Longer than anybody asks for a pause. */
const SILENT_SECONDS = 5
/** Nobody takes in a picture that is gone sooner (common practice). */
const SHORT_SECONDS = 1.5
/** A stretch that was found in pieces, one a segment: frames between them that say nothing. */
const JOINED_FRAMES = 6
/** Over the house's limit by so much, seconds: a sentence is not cut for less. */
const LONG_SECONDS = 1
/** Chapter lists have whole seconds. */
const CHAPTER_SECONDS = 1

type Rule = (told: ToldFilm, measured: MeasuredFilm) => FilmFinding[]

/**
 * What is wrong with a film or should be looked at.
 *
 * @returns in the order of `RULES`, of each rule from the film's beginning; `[]` for a film that is
 *   what it should be
 */
export const filmFindings = (told: ToldFilm, measured: MeasuredFilm): FilmFinding[] =>
  RULES.flatMap((rule) => rule(told, measured))

const wrong = (check: FilmCheck, says: string): FilmFinding => ({ check, grade: 'wrong', says })

const secondsOf = ({ fps }: ToldFilm, frame: number) => (frame * fps[1]) / fps[0]

const framesOf = ({ fps }: ToldFilm, seconds: number) => (seconds * fps[0]) / fps[1]

/** A finding at a moment, with the scene it lies in. */
function at(told: ToldFilm, seconds: number, finding: FilmFinding): FilmFinding {
  const frame = framesOf(told, seconds)
  const scene = told.sceneStarts.filter((start) => start <= frame + 0.5).length
  return { ...finding, seconds, ...(scene ? { scene } : {}) }
}

const picture: Rule = (told, { picture: seen }) => {
  if (!seen) return [wrong('picture', 'The film has no picture.')]
  const { codec, profile, pixels, width, height, colour, language } = seen
  const found: FilmFinding[] = []
  if (width !== told.width || height !== told.height)
    found.push(
      wrong('picture', `The picture is ${width} × ${height}, not ${told.width} × ${told.height}.`),
    )
  if (codec !== CODEC.codec || profile !== CODEC.profile || pixels !== CODEC.pixels)
    found.push(
      wrong('picture', `The picture is ${codec} ${profile} ${pixels}, not H.264 High of 8 bit.`),
    )
  if (colour !== COLOUR)
    found.push(wrong('picture', `Colours are tagged “${colour}”, not BT.709 in limited range.`))
  if (!language || language === 'und')
    found.push(wrong('picture', 'The picture is tagged with no language.'))
  return found
}

const sound: Rule = (told, { sound: heard }) => {
  if (!heard) return [wrong('sound', 'The film has no sound.')]
  const found: FilmFinding[] = []
  if (heard.codec !== 'aac' || heard.rate !== 48_000)
    found.push(
      wrong('sound', `The sound is ${heard.codec} at ${heard.rate} Hz, not AAC at 48,000.`),
    )
  if (!heard.language || heard.language === 'und')
    found.push(wrong('sound', 'The sound is tagged with no language.'))
  const end = secondsOf(told, told.frames)
  const off = heard.end - end
  if (Math.abs(off) > 1.5 * secondsOf(told, 1)) {
    const says = `The sound ends ${shown(Math.abs(off))} s ${side(off)} the picture.`
    found.push(at(told, Math.min(heard.end, end), wrong('sound', says)))
  }
  return found
}

const shown = (seconds: number) => seconds.toFixed(2)
const side = (off: number) => (off < 0 ? 'before' : 'after')

const frames: Rule = (told, { picture: seen }) => {
  const there = seen?.times.length ?? 0
  if (there === told.frames) return []
  const few = Math.min(there, told.frames)
  const says = `The film has ${there} frames, not the ${told.frames} that were planned.`
  return [at(told, secondsOf(told, few), wrong('frames', says))]
}

/** Both clocks at ten places: each frame on its time, each piece of sound right after the last. */
const clocks: Rule = (told, { picture: seen, sound: heard }) => {
  if (!seen || !heard) return []
  const half = secondsOf(told, 0.5)
  const offAt = (times: readonly number[], step: number, i: number) => {
    const place = Math.floor((i * (times.length - 1)) / (CLOCK_PLACES - 1))
    return { seconds: place * step, off: (times[place] ?? 0) - place * step }
  }
  const packet = PACKET_SAMPLES / heard.rate
  const places = Array.from({ length: CLOCK_PLACES }, (_, i) => [
    { what: 'picture', ...offAt(seen.times, secondsOf(told, 1), i) },
    { what: 'sound', ...offAt(heard.times, packet, i) },
  ]).flat()
  // What an encoder of sound sets in front of the beginning is not heard.
  const lead = Math.min(0, heard.times[0] ?? 0)
  const first = places.find(({ what, off }) => Math.abs(off - (what === 'sound' ? lead : 0)) > half)
  if (!first) return []
  const { what, off, seconds } = first
  const says = `The ${what} is ${shown(Math.abs(off))} s ${side(off)} its time.`
  return [at(told, seconds, wrong('clocks', says))]
}

const loudness: Rule = (told, { sound: heard }) => {
  if (!heard || Math.abs(heard.lufs - told.lufs) <= LOUDNESS_LU) return []
  const [is, be] = [heard.lufs, told.lufs].map((lufs) => lufs.toFixed(1))
  return [wrong('loudness', `The film is ${is} LUFS loud, not ${be} within ${LOUDNESS_LU} LU.`)]
}

const peak: Rule = (_told, { sound: heard }) =>
  heard && heard.truePeak > TRUE_PEAK + PEAK_TOLERANCE
    ? [
        wrong(
          'peak',
          `The sound peaks at ${heard.truePeak.toFixed(1)} dBTP, over ${TRUE_PEAK}: it may crackle.`,
        ),
      ]
    : []

const longer = (stretches: readonly Stretch[], seconds: number) =>
  stretches.filter(({ from, to }) => to - from >= seconds)
const lasts = ({ from, to }: Stretch) => `${shown(to - from)} s from ${clockText(from)} on`

const black: Rule = (told, measured) => {
  const end = secondsOf(told, told.frames - 1)
  const frame = secondsOf(told, 1)
  return joined(measured.black, secondsOf(told, JOINED_FRAMES))
    .filter(
      ({ from, to }) => to - from >= BLACK_SECONDS || from < frame / 2 || to > end + frame / 2,
    )
    .map((stretch) =>
      at(told, stretch.from, wrong('black', `The picture is black for ${lasts(stretch)}.`)),
    )
}

/** A card stands still; a picture that does may be meant to. */
const frozen: Rule = (told, measured) =>
  told.pictures
    .filter(({ item }) => item)
    .flatMap((seen) => {
      const [from, to] = [secondsOf(told, seen.from), secondsOf(told, seen.to)]
      const within = measured.frozen
        .map((stretch) => ({ from: Math.max(from, stretch.from), to: Math.min(to, stretch.to) }))
        .filter((stretch) => stretch.to > stretch.from)
      return longer(joined(within, secondsOf(told, JOINED_FRAMES)), FROZEN_SECONDS).map((stretch) =>
        at(told, stretch.from, {
          check: 'frozen',
          grade: 'look',
          says: `“${seen.title}” stands still for ${lasts(stretch)}.`,
        }),
      )
    })

/** Stretches in order, those made one that lie no farther apart than `gap` seconds. */
function joined(stretches: readonly Stretch[], gap: number): Stretch[] {
  const all: Stretch[] = []
  for (const stretch of stretches) {
    const last = all.at(-1)
    if (last && stretch.from - last.to <= gap) last.to = Math.max(last.to, stretch.to)
    else all.push({ ...stretch })
  }
  return all
}

const silent: Rule = (told, measured) =>
  longer(measured.silent, SILENT_SECONDS).map((stretch) =>
    at(told, stretch.from, {
      check: 'silent',
      grade: 'look',
      says: `Nothing is heard for ${lasts(stretch)}.`,
    }),
  )

/** Letters and figures alone: line breaks, marks and hyphens of subtitles are their own. */
const lettersOf = (text: string) =>
  text
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}\p{M}]+/gu, '')

const subtitles: Rule = (told, { subtitles: soft }) => {
  const written = lettersOf(told.subtitles)
  const found: FilmFinding[] = []
  if (written && !soft) found.push(wrong('subtitles', 'The film has no track of subtitles.'))
  if (soft && lettersOf(soft.words) !== written)
    found.push(wrong('subtitles', 'Subtitles in the film have other words than film.srt.'))
  let place = 0
  told.narration.forEach((text, scene) => {
    const said = lettersOf(text)
    const from = written.indexOf(said, place)
    if (from >= 0) place = from + said.length
    else {
      const says = `What scene ${scene + 1} says is not whole in the subtitles.`
      const starts = secondsOf(told, told.sceneStarts[scene] ?? 0)
      found.push(at(told, starts, wrong('subtitles', says)))
    }
  })
  return found
}

const chapters: Rule = (told, measured) => {
  // A list begins at 0:00, whether a heading stands there or not.
  const isOpened = told.chapters.length === measured.chapters.length + 1
  const named = told.chapters.slice(isOpened && told.chapters[0]?.title === 'Opening' ? 1 : 0)
  if (named.length !== measured.chapters.length)
    return [
      wrong(
        'chapters',
        `The film has ${measured.chapters.length} chapters, not the ${named.length} of its list.`,
      ),
    ]
  return named.flatMap(({ title, seconds }, i): FilmFinding[] => {
    const marked = measured.chapters[i]
    if (!marked) return []
    if (marked.title === title && Math.abs(marked.from - seconds) <= CHAPTER_SECONDS) return []
    const says = `Chapter “${title}” is “${marked.title}” at ${clockText(marked.from)} in the film.`
    return [at(told, seconds, wrong('chapters', says))]
  })
}

const index: Rule = (_told, { isIndexFirst }) =>
  isIndexFirst
    ? []
    : [wrong('index', 'The film must be fetched to its end before it plays: its index comes last.')]

/** Pictures that stand otherwise than is meant, each with what is said of it. */
const standing = (
  told: ToldFilm,
  check: 'short' | 'long',
  isSo: (seconds: number) => boolean,
  says: (title: string, seconds: string) => string,
): FilmFinding[] =>
  told.pictures
    .map((seen) => ({ ...seen, seconds: secondsOf(told, seen.to - seen.from) }))
    .filter(({ item, seconds }) => item && isSo(seconds))
    .map(({ title, from, seconds }) =>
      at(told, secondsOf(told, from), { check, grade: 'look', says: says(title, shown(seconds)) }),
    )

const short: Rule = (told) =>
  standing(
    told,
    'short',
    (seconds) => seconds < SHORT_SECONDS,
    (title, seconds) => `“${title}” is seen for ${seconds} s only.`,
  )

const long: Rule = (told) => {
  const { longestPicture = Infinity } = told
  return standing(
    told,
    'long',
    (seconds) => seconds > longestPicture + LONG_SECONDS,
    (title, seconds) =>
      `“${title}” is seen for ${seconds} s, longer than the ${longestPicture} s asked for.`,
  )
}

const licences: Rule = (told) =>
  told.ledger.flatMap(({ title, licence, asks, credit }): FilmFinding[] => {
    if (!licence) return [wrong('licences', `“${title}” has no licence.`)]
    return asks === 'a credit' && !credit
      ? [wrong('licences', `“${title}” asks for a credit and has none.`)]
      : []
  })

const RULES: readonly Rule[] = [
  picture,
  sound,
  frames,
  clocks,
  loudness,
  peak,
  black,
  frozen,
  silent,
  subtitles,
  chapters,
  index,
  short,
  long,
  licences,
]
