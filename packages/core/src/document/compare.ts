import equal from 'fast-deep-equal'
import { entryOf, itemAt } from '../faults/certain.ts'
import { parsedScript } from '../script/parsed-script.ts'
import type { Document, Scene } from './document.ts'

export const SCENE_CHANGES = [
  'put in',
  'taken out',
  'words',
  'pictures',
  'moved',
  'left out',
  'shown',
  'length',
  'speaker',
  'directions',
  'look of what is written',
  'voice',
  'take',
] as const
export type SceneChange = (typeof SCENE_CHANGES)[number]

/** A scene as one of two compared documents has it. */
export interface SceneLook {
  /** Its place in the sheet, from 1. */
  number: number
  text: string
  /** Ids of its pictures. */
  pictures: string[]
}

/** A scene that is not the same in both. */
export interface ComparedScene {
  id: string
  before: SceneLook | null
  after: SceneLook | null
  changes: SceneChange[]
}

export interface Comparison {
  /** What else differs, in words. */
  film: string[]
  /** In the order of the later document; scenes taken out where they were. */
  scenes: ComparedScene[]
}

const FILM: Record<string, string> = {
  title: 'title',
  voice: 'voice',
  speed: 'pace',
  speaking: 'speaking',
  mood: 'music',
  mixing: 'level of the music',
  score: 'who plays the music',
  grade: 'look of the film',
  transition: 'transitions',
  cards: 'cards',
  wantedMinutes: 'wanted length',
  notes: 'notes',
  matching: 'what pictures mean',
  picking: 'how pictures are chosen',
  making: 'made pictures',
  claims: 'claims',
  comments: 'comments',
  style: 'house style',
  lettering: 'lettering',
  sign: 'sign',
  subtitling: 'subtitles',
  drawing: 'what is drawn by itself',
  channel: 'name of the channel',
  next: 'next film',
}

/**
 * What lies between two documents of one episode, scene by scene; scenes that are the same are left
 * out.
 *
 * @returns what differs, scene by scene; nothing for equal documents
 */
export function compareDocuments(before: Document, after: Document): Comparison {
  const film = Object.entries(FILM).flatMap(([name, word]) =>
    equal(before[name as keyof Document], after[name as keyof Document]) ? [] : [word],
  )
  const [old, now] = [looksOf(before), looksOf(after)]
  const stayed = inOrder(after.scenes.flatMap(({ id }) => old.get(id)?.number ?? []))
  const scenes: ComparedScene[] = []
  let place = 0
  const takenOut = (upTo: number) => {
    for (; place < upTo; place++) {
      const { id } = itemAt(before.scenes, place)
      if (!now.has(id))
        scenes.push({ id, before: lookOf(entryOf(old, id)), after: null, changes: ['taken out'] })
    }
  }
  for (const { id } of after.scenes) {
    const [was, is] = [old.get(id), entryOf(now, id)]
    if (!was) {
      scenes.push({ id, before: null, after: lookOf(is), changes: ['put in'] })
      continue
    }
    if (stayed.has(was.number)) takenOut(was.number)
    const changes = changesOf(was, is, !stayed.has(was.number))
    if (changes.length) scenes.push({ id, before: lookOf(was), after: lookOf(is), changes })
  }
  takenOut(before.scenes.length)
  return { film, scenes }
}

interface Look extends SceneLook {
  scene: Scene
  speaker: string
  directions: unknown
}

function looksOf({ scenes, script }: Document): Map<string, Look> {
  const parsed = parsedScript(script).scenes
  return new Map(
    scenes.map((scene, i) => [
      scene.id,
      {
        number: i + 1,
        text: scene.text,
        pictures: scene.shots.flatMap(({ item }) => (item ? [item.id] : [])),
        scene,
        speaker: parsed[i]?.speaker ?? '',
        directions: parsed[i]?.directions ?? [],
      },
    ]),
  )
}

const lookOf = ({ number, text, pictures }: Look): SceneLook => ({ number, text, pictures })

function changesOf(was: Look, is: Look, moved: boolean): SceneChange[] {
  const found: [boolean, SceneChange][] = [
    [was.text !== is.text, 'words'],
    [
      !equal(was.scene.shots, is.scene.shots) ||
        !equal(was.scene.inlays, is.scene.inlays) ||
        was.scene.begins?.how !== is.scene.begins?.how,
      'pictures',
    ],
    [moved, 'moved'],
    [!was.scene.hidden && !!is.scene.hidden, 'left out'],
    [!!was.scene.hidden && !is.scene.hidden, 'shown'],
    [was.scene.length !== is.scene.length, 'length'],
    [was.speaker !== is.speaker, 'speaker'],
    [!equal(was.directions, is.directions), 'directions'],
    [!equal(was.scene.dress, is.scene.dress), 'look of what is written'],
    [
      was.scene.voice !== is.scene.voice ||
        was.scene.pace !== is.scene.pace ||
        was.scene.emphasis !== is.scene.emphasis,
      'voice',
    ],
    [!equal(was.scene.take, is.scene.take), 'take'],
  ]
  return found.flatMap(([changed, name]) => (changed ? [name] : []))
}

/**
 * The longest rising run of some numbers, not necessarily side by side: what kept its order when
 * the rest moved.
 */
function inOrder(numbers: readonly number[]): Set<number> {
  const ends: number[] = []
  const before = new Map<number, number | undefined>()
  for (const n of numbers) {
    let at = ends.findIndex((end) => end >= n)
    if (at < 0) at = ends.length
    before.set(n, ends[at - 1])
    ends[at] = n
  }
  const kept = new Set<number>()
  for (let n = ends.at(-1); n !== undefined; n = before.get(n)) kept.add(n)
  return kept
}
