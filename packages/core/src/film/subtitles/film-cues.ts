import type { SubtitlePlace } from '../../document/dress.ts'
import type { Film } from '../../document/film-scenes.ts'
import { sceneIndexAt, type Timeline, type TimelineScene } from '../../timeline/timeline.ts'
import { frameOf } from '../lettering/frame.ts'
import { fittingPieces } from '../lettering/text-lines.ts'
import { type Cue, cuesFromWords, type CueWord } from './cues.ts'
import { guidelineOf } from './guidelines.ts'
import { withHeardMarks } from './heard-marks.ts'
import { shownWords } from './kept-words.ts'
import { type SubtitleLimits, subtitleLimits } from './limits.ts'
import { trackWords } from './track-words.ts'

/** How a film's subtitles look, what they keep to, and where they say it in other words. */
export type Subtitled = Pick<Film, 'lettering' | 'subtitling' | 'scenes'>

/** What the subtitles of a film of this shape keep to. */
export const filmLimits = (
  { fps }: Pick<Timeline, 'fps'>,
  { lettering, subtitling }: Pick<Subtitled, 'lettering' | 'subtitling'>,
  { width, height }: { width: number; height: number },
): SubtitleLimits =>
  subtitleLimits(
    lettering.subtitle,
    frameOf(width, height),
    fps[0] / fps[1],
    guidelineOf(subtitling),
  )

/**
 * The subtitles of a film of this shape.
 *
 * @param shape    of the film, in pixels
 * @param language of a track; empty, or where there is none of it, what is spoken
 * @returns in order, none over another; `[]` where nothing is spoken
 */
export function filmCues(
  timeline: Timeline,
  subtitled: Subtitled,
  shape: { width: number; height: number },
  language = subtitled.subtitling.burnt,
): Cue[] {
  const limits = filmLimits(timeline, subtitled, shape)
  const places = subtitled.scenes.map(({ dress }) => dress?.subtitle)
  const grouped = (words: readonly CueWord[]) =>
    withPlaces(
      cuesFromWords(
        opensAtPlaces(words, timeline, places).flatMap((word) => linePieces(word, limits)),
        limits,
      ),
      timeline,
      places,
    )
  const track = subtitled.subtitling.tracks.find((one) => one.language === language)
  if (track) return grouped(trackWords(timeline, track).flat())
  const { kept, marks } = subtitled.subtitling
  const said = timeline.scenes.map(sceneWords)
  return grouped(withHeardMarks(shownWords(said.flat(), kept), said, subtitled.scenes, marks))
}

type Places = readonly (SubtitlePlace | undefined)[]

/** A subtitle never runs over from one place to another. */
function opensAtPlaces(words: readonly CueWord[], timeline: Timeline, places: Places) {
  if (!places.some(Boolean)) return words
  let last: SubtitlePlace | undefined
  return words.map((word, i) => {
    const place = places[sceneIndexAt(timeline, word.start)]
    const moves = i > 0 && !isEqual(place, last)
    last = place
    return moves ? { ...word, opens: true } : word
  })
}

const isEqual = (a: SubtitlePlace | undefined, b: SubtitlePlace | undefined) =>
  a?.place === b?.place && a?.height === b?.height

function withPlaces(cues: Cue[], timeline: Timeline, places: Places): Cue[] {
  if (!places.some(Boolean)) return cues
  return cues.map((cue) => {
    const at = places[sceneIndexAt(timeline, cue.words?.[0]?.start ?? cue.start)]
    return at ? { ...cue, at } : cue
  })
}

const sceneWords = ({ words }: TimelineScene): CueWord[] =>
  words.map((word, i) => ({ ...word, endsScene: i === words.length - 1 }))

/** A word that no line holds is parted, each piece with its share of the time. */
function linePieces(word: CueWord, limits: SubtitleLimits): CueWord[] {
  const fits = (text: string) =>
    text.length <= limits.charactersPerLine && limits.width(text) <= limits.widest
  if (fits(word.text)) return [word]
  const { isBound = false, breaks = false, opens = false, endsScene, ...whole } = word
  const pieces = fittingPieces(word.text, fits)
  let passed = 0
  return pieces.map((text, i): CueWord => {
    const at = (letters: number) =>
      Math.round(word.start + ((word.end - word.start) * letters) / word.text.length)
    const start = at(passed)
    passed += text.length
    return {
      ...whole,
      text,
      start,
      end: at(passed),
      endsScene: endsScene && i === pieces.length - 1,
      said: i > 0 ? [] : (word.said ?? [word.text]),
      ...(i > 0 ? { glued: true } : { isBound, breaks, opens }),
    }
  })
}
