import type { Film } from '../../document/film-scenes.ts'
import { itemAt } from '../../faults/certain.ts'
import { type Drawn, type DrawnForm, figureText, readDrawn } from '../../script/drawn.ts'
import { type DrawnOffer, drawnOffers } from '../../script/drawn-offers.ts'
import { type DrawnPlace, splitPlace } from '../../script/drawn-place.ts'
import { isDrawn } from '../../script/parse.ts'
import type { SpokenWord } from '../../speech/word-times.ts'
import type {
  Lettering,
  SuperLook,
  SuperLookName,
  SuperLookSettings,
} from '../../style/lettering.ts'
import { defined } from '../../text/defined.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { sceneIndexAt, type Timeline, type TimelineScene } from '../../timeline/timeline.ts'
import { LOOK_OF } from './look-of.ts'

/** How loud a scene's voice is, as `speechLevels` writes it, from a sample of the film on. */
export interface Voice {
  levels: string
  start: number
}

/** Text or figures on the picture that are no subtitle; times in samples. */
export interface Super {
  kind: 'heading' | DrawnForm
  look: SuperLookName
  /** What of its look its scene has otherwise. */
  own?: SuperLookSettings
  /** In words, as a list of them shows it. */
  text: string
  drawn: Drawn
  /** Where a person put it, if not as its look has it. */
  place?: DrawnPlace
  start: number
  end: number
  /** Spoken while it is seen: what it builds up by. */
  words: readonly SpokenWord[]
  /** How loud the voice is while it is seen, where that is drawn. */
  voice?: Voice
  /** The scene that asks for it, and which of what is drawn there it is. */
  of?: { sceneId: string; index: number }
  /** Not asked for: taken from what the sentence says. */
  isOffered?: true
}

/** How a super looks: as the film has its kind, with what its scene has otherwise. */
export const lookOf = (
  { look, own }: Pick<Super, 'look' | 'own'>,
  { supers }: Pick<Lettering, 'supers'>,
): SuperLook => ({ ...supers[look], ...defined(own ?? {}) })

/** How long a heading stands, in seconds: long enough to be read twice; by eye. */
const CHAPTER_SECONDS = 3.4
/** Seconds to look at something and to read a letter of it (common practice: 15 letters a second). */
const LOOKING = 1.4
const READING = 1 / 15
/** Stands no longer than this, in seconds: what goes on for longer is no longer looked at. */
const LONGEST = 12

/** Maps that a sentence offers. */
type MapOffers = (sentence: string) => DrawnOffer[]

/** Chapter headings over the first seconds of their chapter, and what the script asks for. */
export function filmSupers(timeline: Timeline, film: Film, maps: MapOffers = () => []): Super[] {
  const headings = timeline.chapters.map(({ title, startSample }): Super => ({
    kind: 'heading',
    look: 'heading',
    text: title,
    drawn: { form: 'super', words: title },
    start: startSample + SAMPLE_RATE * 0.25,
    end: Math.min(timeline.samples, startSample + CHAPTER_SECONDS * SAMPLE_RATE),
    words: [],
  }))
  const asked = timeline.scenes.flatMap((scene, n) => {
    const { directions, before } = itemAt(film.scenes, n)
    let index = -1
    return directions.flatMap((direction, d): Super[] => {
      if (!isDrawn(direction)) return []
      index++
      const drawn = readDrawn(direction.kind, direction.text)
      if (!drawn) return []
      const one = drawnSuper(timeline, scene, drawn, direction.text, before?.[d] ?? 0)
      return [{ ...one, of: { sceneId: scene.id, index } }]
    })
  })
  const offered = offeredSupers(timeline, film, [...headings, ...asked], maps)
  return [...headings, ...asked, ...offered]
    .filter(({ start, end }) => end > start)
    .map((one) => {
      const own = film.scenes[sceneIndexAt(timeline, one.start)]?.dress?.supers?.[one.look]
      return own ? { ...one, own } : one
    })
}

/** Seconds between two that nobody asked for, by the dial. */
const APART = { none: Infinity, few: 60, some: 25, many: 10 }

/** The most telling of what the sentences offer, none near another or near what was asked for. */
function offeredSupers(
  timeline: Timeline,
  { scenes, drawing }: Pick<Film, 'scenes' | 'drawing'>,
  there: readonly Super[],
  maps: MapOffers,
): Super[] {
  const apart = APART[drawing.dial] * SAMPLE_RATE
  if (apart === Infinity) return []
  const all = timeline.scenes.flatMap((scene, n) => {
    if (itemAt(scenes, n).directions.some(isDrawn)) return []
    return [...drawnOffers(scene.text), ...maps(scene.text)]
      .sort((a, b) => b.worth - a.worth)
      .filter(({ like }) => !drawing.refused.includes(like))
      .slice(0, 1)
      .flatMap(({ form, text, worth }) => {
        const drawn = readDrawn(form, text)
        return drawn ? [{ worth, super: drawnSuper(timeline, scene, drawn, text, 0) }] : []
      })
  })
  const taken: Super[] = []
  const isNear = (one: Super) => (other: Super) =>
    other.start < one.end + apart && one.start < other.end + apart
  for (const { super: one } of all.sort((a, b) => b.worth - a.worth)) {
    const isOver = there.some((other) => other.start < one.end && one.start < other.end)
    if (!isOver && !taken.some(isNear(one))) taken.push({ ...one, isOffered: true })
  }
  return taken.sort((a, b) => a.start - b.start)
}

function drawnSuper(
  timeline: Timeline,
  scene: TimelineScene,
  drawn: Drawn,
  written: string,
  word: number,
): Super {
  const { text, place } = splitPlace(written)
  const start = startOf(scene, drawn, word)
  const letters = Math.min(200, text.length)
  const enough = start + (LOOKING + letters * READING) * SAMPLE_RATE
  const end = Math.min(
    timeline.samples,
    Math.max(enough, Math.min(scene.endSample, start + LONGEST * SAMPLE_RATE)),
  )
  return {
    kind: drawn.form,
    look: LOOK_OF[drawn.form],
    text,
    drawn,
    ...(place ? { place } : {}),
    start,
    // What a shape marks is gone with the scene's picture.
    end: Math.round(goesWithScene(drawn) ? scene.endSample : end),
    words: scene.words,
    ...(drawn.form === 'wave' && scene.levels
      ? { voice: { levels: scene.levels, start: scene.speechStart } }
      : {}),
  }
}

const goesWithScene = ({ form }: Drawn) => form === 'mark' || form === 'wave'

/** With its figure where that is spoken, else with the word it stands before in the script. */
function startOf(scene: TimelineScene, drawn: Drawn, word: number): number {
  const said = spokenAt(scene.words, leadOf(drawn))
  if (said !== undefined) return said
  return word > 0 ? (scene.words[word]?.start ?? scene.speechStart) : scene.speechStart
}

/** What of it is spoken first; empty for what is not built of spoken words. */
function leadOf(drawn: Drawn): string {
  switch (drawn.form) {
    case 'number':
      return figureText(drawn.figure)
    case 'share':
      return drawn.written
    case 'years':
      return itemAt(drawn.years, 0).year
    case 'change':
      return drawn.from
    case 'list':
      return itemAt(drawn.items, 0)
    case 'map':
      return drawn.places[0]
    default:
      return ''
  }
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}.,]/gu, '')
    .replace(/[.,]+$/, '')
/** Said in passing before what is meant. */
const SMALL = new Set(['the', 'a', 'an', 'of', 'in', 'and', 'to', 'for', 'its', 'their'])

/**
 * When the first telling word of a text is spoken.
 *
 * @returns in samples; undefined where it is not
 */
export function spokenAt(words: readonly SpokenWord[], text: string): number | undefined {
  const wanted = text
    .split(/\s+/)
    .map(plain)
    .find((word) => word && !SMALL.has(word))
  return wanted === undefined ? undefined : words.find((word) => plain(word.text) === wanted)?.start
}
