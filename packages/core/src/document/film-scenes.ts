import { itemAt } from '../faults/certain.ts'
import { depictionText } from '../pictures/depiction.ts'
import type { Inlay } from '../pictures/inlay.ts'
import type { ScriptScene } from '../script/parse.ts'
import { parsedScript } from '../script/parsed-script.ts'
import { meetFaces } from '../style/own-face.ts'
import { wordsOf } from '../text/written-words.ts'
import { cardWords } from './card-words.ts'
import type { Document, OfferedDepiction, Scene, Shot } from './document.ts'
import type { Dress } from './dress.ts'
import type { Emphasis } from './voicing.ts'

/**
 * One scene of the film as it is planned: what the script says of it and what is decided about it.
 */
export interface FilmScene extends Omit<ScriptScene, 'source' | 'marked'> {
  id: string
  shots: readonly Shot[]
  /** Left out: its picture begins with it. Never `hold` where no picture is before it. */
  begins?: 'early' | 'hold'
  /** Samples it lasts whatever its voice. */
  length?: number
  /** As `Scene` says. */
  voice?: string
  pace?: number
  emphasis?: Emphasis
  inlays?: readonly Inlay[]
  dress?: Dress
  /** Hash of the take a person chose for just these words. */
  take?: string
  /** Of each direction, how many words of the narration stand before it. */
  before?: readonly number[]
  /** What its picture is looked for by, beside what its direction says. */
  search?: readonly string[]
  /** Words on a plain card that nobody speaks, in place of a narration. */
  card?: string
}

/** The film a document makes, before anything is spoken: cards and shown scenes in order. */
export interface Film {
  scenes: FilmScene[]
  chapters: { title: string }[]
  /** What the script says that was not read, in words. */
  remarks: string[]
  speed: number
  /** All silences at once; 1 as they are. */
  pauses: number
  /** How much longer than the estimate the film's voice speaks, where that has been measured. */
  rate: number
  /** Seconds the music plays alone before the first word, and after the last. */
  alone: Pick<Document['score'], 'opens' | 'closes'>
  accents: Document['accents']
  grade: Document['grade']
  transition: Document['transition']
  lettering: Document['lettering']
  sign: Document['sign']
  subtitling: Document['subtitling']
  drawing: Document['drawing']
}

/**
 * @param rate of the film's voice, `voiceRate`
 * @param rate how much longer than the estimate its voice speaks; 1 = as estimated
 * @returns cards and shown scenes in order; none for an empty script
 */
export function filmOf(document: Document, rate = 1): Film {
  meetFaces(document.lettering.faces)
  const { scenes, chapters, remarks } = parsedScript(document.script)
  const shown: FilmScene[] = []
  document.scenes.forEach((scene, i) => {
    if (scene.hidden) return
    const begins = beginningAfter(shown.at(-1), scene)
    const written = itemAt(scenes, i)
    shown.push({
      ...filmScene(scene, written),
      ...(begins ? { begins } : {}),
      ...(written.directions.length ? { before: wordsBefore(document.script, written) } : {}),
    })
  })
  const { opening, closing } = document.cards
  return {
    scenes: [
      ...(opening.shown
        ? [cardScene('opening', cardWords(document, 'opening'), opening.samples, -1)]
        : []),
      ...shown,
      ...(closing.shown
        ? [
            cardScene(
              'closing',
              cardWords(document, 'closing'),
              closing.samples,
              shown.at(-1)?.chapter ?? -1,
            ),
          ]
        : []),
    ],
    chapters,
    remarks,
    speed: document.speed,
    pauses: document.speaking.pauses,
    rate,
    alone: aloneIn(document),
    accents: document.accents,
    grade: document.grade,
    transition: document.transition,
    lettering: document.lettering,
    sign: document.sign,
    subtitling: document.subtitling,
    drawing: document.drawing,
  }
}

/** Nobody waits for music that is not there. */
const aloneIn = ({ mood, score }: Document): Film['alone'] =>
  mood === 'none' && score.own === null
    ? { opens: 0, closes: 0 }
    : { opens: score.opens, closes: score.closes }

const wordsBefore = (script: string, { source, marked }: ScriptScene): number[] =>
  marked.map(
    ({ from }) =>
      wordsOf(script.slice(source.from, Math.max(source.from, from)).replace(/\[[^[\]\n]*\]/g, ' '))
        .length,
  )

/** Which scene a person calls this one, counted from 1: cards have no number. */
export const sceneNumber = ({ scenes }: Pick<Film, 'scenes'>, sceneId: string): number =>
  scenes.filter(({ card }) => card === undefined).findIndex(({ id }) => id === sceneId) + 1

/** Ids of the scenes over which the picture of the scene before goes on. */
export const heldScenes = ({ scenes }: Pick<Film, 'scenes'>): Set<string> =>
  new Set(scenes.flatMap(({ id, begins }) => (begins === 'hold' ? [id] : [])))

/** Where a scene's picture begins with this scene before it: what matching decided of another lapses. */
function beginningAfter(
  before: FilmScene | undefined,
  { begins, shots }: Scene,
): FilmScene['begins'] {
  if (!before || !begins || begins.how === 'cut') return undefined
  if (begins.by === 'match' && begins.after !== before.id) return undefined
  const seen = begins.how === 'early' ? shots[0]?.item : before.shots.at(-1)?.item
  return seen || (begins.how === 'hold' && before.begins === 'hold') ? begins.how : undefined
}

function filmScene(
  { id, shots, length, voice, pace, emphasis, inlays, dress, take, depiction }: Scene,
  { text, chapter, speaker, directions, opensParagraph, estimatedSeconds }: ScriptScene,
): FilmScene {
  return {
    id,
    shots,
    text,
    chapter,
    directions,
    opensParagraph,
    estimatedSeconds,
    ...(speaker ? { speaker } : {}),
    ...(length ? { length } : {}),
    ...(voice ? { voice } : {}),
    ...(pace ? { pace } : {}),
    ...(emphasis ? { emphasis } : {}),
    ...(inlays ? { inlays } : {}),
    ...(dress ? { dress } : {}),
    ...(take?.text === text ? { take: take.hash } : {}),
    ...(depiction && isTaken(depiction, directions) ? { search: depiction.search } : {}),
  }
}

/** True where the script's direction is what was offered. */
export const isTaken = (
  { see, not }: Pick<OfferedDepiction, 'see' | 'not'>,
  directions: ScriptScene['directions'],
): boolean => {
  const offered = depictionText({ see, not })
  return directions.some((one) => one.kind === 'picture' && one.text === offered)
}

const cardScene = (id: string, card: string, length: number, chapter: number): FilmScene => ({
  id,
  card,
  length,
  chapter,
  text: '',
  shots: [],
  directions: [],
  opensParagraph: true,
  estimatedSeconds: 0,
})
