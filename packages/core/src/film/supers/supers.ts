import type { Film } from '../../document/film-scenes.ts'
import { itemAt } from '../../faults/certain.ts'
import { type Drawn, type DrawnForm, figureText, readDrawn } from '../../script/drawn.ts'
import { isDrawn } from '../../script/parse.ts'
import type { SpokenWord } from '../../speech/word-times.ts'
import type { SuperLookName } from '../../style/lettering.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import type { Timeline, TimelineScene } from '../../timeline/timeline.ts'

/** Text or figures on the picture that are no subtitle; times in samples. */
export interface Super {
  kind: 'heading' | DrawnForm
  look: SuperLookName
  /** In words, as a list of them shows it. */
  text: string
  drawn: Drawn
  start: number
  end: number
  /** Spoken while it is seen: what it builds up by. */
  words: readonly SpokenWord[]
}

const LOOK_OF: Record<DrawnForm, SuperLookName> = {
  super: 'words',
  point: 'words',
  number: 'figures',
  bars: 'figures',
  share: 'figures',
  years: 'figures',
  list: 'figures',
  change: 'figures',
  quote: 'quote',
  name: 'name',
  key: 'key',
  call: 'call',
}

/** How long a heading stands, in seconds: long enough to be read twice; by eye. */
const CHAPTER_SECONDS = 3.4
/** Seconds to look at something and to read a letter of it (common practice: 15 letters a second). */
const LOOKING = 1.4
const READING = 1 / 15
/** Stands no longer than this, in seconds: what goes on for longer is no longer looked at. */
const LONGEST = 12

/** Chapter headings over the first seconds of their chapter, and what the script asks for. */
export function filmSupers(timeline: Timeline, film: Film): Super[] {
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
    return directions.flatMap((direction, d): Super[] => {
      if (!isDrawn(direction)) return []
      const drawn = readDrawn(direction.kind, direction.text)
      return drawn ? [drawnSuper(timeline, scene, drawn, direction.text, before?.[d] ?? 0)] : []
    })
  })
  return [...headings, ...asked].filter(({ start, end }) => end > start)
}

function drawnSuper(
  timeline: Timeline,
  scene: TimelineScene,
  drawn: Drawn,
  text: string,
  word: number,
): Super {
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
    start,
    end: Math.round(end),
    words: scene.words,
  }
}

/** With its figure where that is spoken, else with the word it stands before in the script. */
function startOf(scene: TimelineScene, drawn: Drawn, word: number): number {
  const figure = drawn.form === 'number' ? figureText(drawn.figure) : undefined
  const said = figure && spokenAt(scene.words, figure)
  if (said !== undefined && said !== '') return said
  return word > 0 ? (scene.words[word]?.start ?? scene.speechStart) : scene.speechStart
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
