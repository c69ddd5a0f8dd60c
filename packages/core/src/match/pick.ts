import { lemma } from '../words/lemma.ts'
import type { Lexicon } from '../words/lexicon.ts'
import { searchWords, type SearchWord } from '../words/search-words.ts'
import { STOP_WORDS } from '../words/stop.ts'
import { HOURS } from './hours.ts'
import { SCENES_APART } from './scenes-apart.ts'
import { bm25, type Fields } from './bm25.ts'
import type { Item, Orientation } from './item.ts'

/** What matching needs to know of a scene. */
export interface SceneToMatch {
  text: string
  /** The words of its `[picture: …]`, which win over the narration. */
  picture?: string
  chapter: number
  chapterTitle?: string
  /** Seconds the scene lasts, pause included. */
  seconds: number
}

export interface SceneQuery {
  /** The scene's own words, then what it borrowed; heaviest first. */
  words: SearchWord[]
  /** Everything looked for with its weight, synonyms and wider kinds included. */
  terms: Map<string, number>
  /** True when the scene itself has little to show and leans on what stands around it. */
  borrowed: boolean
}

export interface Pick {
  item: Item
  score: number
  /** A short sentence on why it is here. */
  why: string
}

export interface ScenePicks {
  words: SearchWord[]
  /** One entry a shot, in order; empty when the library had nothing. */
  chosen: Item[]
  /** Best first, the chosen ones among them. */
  candidates: Pick[]
}

/** A scene longer than this gets a second picture. */
export const SHOT_SECONDS = 8
const CANDIDATES = 8
const SYNONYM = 0.7
const KIND = 0.35
const BEFORE = 0.25
/** How much less a picture is worth that looks like one shown so many scenes before: one, two, three. */
const ALIKE = [0.55, 0.4, 0.25] as const
const SUBJECT = 0.12

/**
 * Turns scenes into weighted queries: own words, synonyms, wider kinds, and what the sentence before,
 * the chapter and the whole film are about; the less a scene can show of its own, the more it borrows.
 */
export function queriesOf(scenes: readonly SceneToMatch[], lexicon: Lexicon): SceneQuery[] {
  const own = scenes.map((scene) => searchWords(scene.picture ?? scene.text, lexicon))
  const film = subjectOf(own)
  const chapters = new Map<number, Map<string, number>>()
  for (const { chapter } of scenes) {
    if (chapters.has(chapter)) continue
    const title = scenes.find((s) => s.chapter === chapter)?.chapterTitle
    const words = own.filter((_, i) => scenes[i]!.chapter === chapter)
    chapters.set(chapter, subjectOf(title ? [...words, searchWords(title, lexicon)] : words))
  }
  return scenes.map((scene, i) => {
    const strength = own[i]!.reduce((sum, word) => sum + (word.text.includes(' ') ? 0 : word.weight), 0)
    const need = scene.picture ? 0 : Math.max(0, 1 - strength / 0.8)
    const before = i > 0 && scenes[i - 1]!.chapter === scene.chapter ? own[i - 1]! : []
    const terms = new Map<string, number>()
    const add = (text: string, weight: number) => terms.set(text, Math.max(terms.get(text) ?? 0, weight))
    for (const word of own[i]!) addWithKin(word, scene.picture ? 1.5 : 1, lexicon, add)
    for (const word of before) if (!scene.picture) add(word.text, word.weight * (BEFORE + 0.6 * need))
    for (const [text, weight] of chapters.get(scene.chapter)!) add(text, weight * (SUBJECT + 0.5 * need))
    for (const [text, weight] of film) add(text, weight * (SUBJECT + 0.25 * need))
    const borrowed = need > 0.4
    return { words: borrowed ? withBorrowed(own[i]!, terms) : own[i]!, terms, borrowed }
  })
}

function addWithKin(word: SearchWord, times: number, lexicon: Lexicon, add: (text: string, weight: number) => void) {
  const weight = word.weight * times
  add(word.text, weight)
  for (const other of lexicon.synonyms(word.text)) add(other, weight * SYNONYM)
  for (const other of lexicon.kinds(word.text)) add(other, weight * KIND)
}

/** What a stretch of film is about: its picturable words by how often they return, the heaviest at 1. */
function subjectOf(scenes: readonly SearchWord[][]): Map<string, number> {
  const totals = new Map<string, number>()
  for (const words of scenes)
    for (const { text, weight } of words) if (!text.includes(' ')) totals.set(text, (totals.get(text) ?? 0) + weight)
  const top = [...totals].sort((a, b) => b[1] - a[1]).slice(0, 6)
  const heaviest = top[0]?.[1] ?? 1
  return new Map(top.map(([text, weight]) => [text, weight / heaviest]))
}

function withBorrowed(own: SearchWord[], terms: Map<string, number>): SearchWord[] {
  const known = new Set(own.map((word) => word.text))
  const more = [...terms].filter(([text]) => !known.has(text)).sort((a, b) => b[1] - a[1]).slice(0, 3)
  return [...own, ...more.map(([text, weight]) => ({ text, weight, written: '' }))]
}

/** Words to send to a library's search, narrow first: the heaviest word or phrase of its own, then two more. */
export function searchesOf({ words, terms }: SceneQuery): string[] {
  const own = words.slice(0, 4).map((word) => word.text)
  const broad = [...terms].sort((a, b) => b[1] - a[1]).slice(0, 4).map(([text]) => text)
  return [...new Set([...own, ...broad])].slice(0, 6)
}

/** Words of a text as they are looked up, with neighbouring pairs, so that phrases can be found. */
export function lookedUp(text: string): string[] {
  const words = (text.toLowerCase().match(/[\p{L}\p{N}]+(?:['’][\p{L}]+)?/gu) ?? []).filter((w) => !STOP_WORDS.has(w)).map(lemma)
  return [...words, ...words.slice(1).map((word, i) => `${words[i]} ${word}`)]
}

/** What is searched of an item. */
type ItemFields = [title: Fields, tags: Fields, description: Fields]

function fieldsOf(item: Item): ItemFields {
  return [
    { weight: 2, words: lookedUp(item.title) },
    { weight: 1.2, words: item.tags.flatMap(lookedUp) },
    { weight: 1, words: lookedUp(item.description) },
  ]
}

/**
 * Chooses pictures for a whole film from one pool of items.
 *
 * @param pool everything the libraries returned for this film's searches, each item once
 * @param kept pictures a person chose, by scene number: never changed, but counted as used
 * @returns one entry a scene, in order
 */
export function pickPictures(
  scenes: readonly SceneToMatch[],
  queries: readonly SceneQuery[],
  pool: readonly Item[],
  options: { orientation: Orientation; kept?: ReadonlyMap<number, readonly string[]> },
): ScenePicks[] {
  const fields = pool.map(fieldsOf)
  const index = bm25(fields)
  const words = fields.map((each) => new Set(each.flatMap((field) => field.words)))
  const looks = fields.map(lookOf)
  const shown: Look[][] = []
  const lastUsed = new Map<string, number>()
  for (const [scene, ids] of options.kept ?? []) for (const id of ids) lastUsed.set(id, scene)
  return scenes.map((scene, n) => {
    const query = queries[n]!
    const scores = index.scores(query.terms)
    const ranked = pool
      .map((item, i) => ({ item, i, score: scores[i]! * fitness(item, scene, options.orientation) }))
      .sort((a, b) => b.score - a.score || a.item.id.localeCompare(b.item.id))
      .slice(0, 60)
      .map((entry): Ranked => ({ ...entry, look: looks[entry.i]!, variety: varietyOf(looks[entry.i]!, shown) }))
    const shots = Math.max(1, Math.min(4, Math.ceil(scene.seconds / SHOT_SECONDS)))
    const chosen = freshest(ranked, n, lastUsed, shots)
    const names = new Set(chosen.map(({ item }) => item.id))
    const others = ranked.filter(({ item, score }) => !names.has(item.id) && score > 0)
    const fresh = others.filter(({ item }) => !seenNear(item.id, n, lastUsed))
    const offered = [...chosen, ...unlike(fresh, chosen, CANDIDATES - chosen.length)]
    const candidates = [...offered, ...others.filter((c) => !offered.includes(c))].slice(0, CANDIDATES)
    const kept = options.kept?.get(n) ?? []
    if (kept.length < shots) for (const { item } of chosen) lastUsed.set(item.id, n)
    shown.push(kept.length < shots ? chosen.map(({ i }) => looks[i]!) : pool.flatMap(({ id }, i) => (kept.includes(id) ? [looks[i]!] : [])))
    return {
      words: query.words,
      chosen: chosen.map(({ item }) => item),
      candidates: candidates.map(({ item, i, score }) => ({ item, score, why: whyOf(query, words[i]!) })),
    }
  })
}

interface Ranked {
  item: Item
  i: number
  score: number
  look: Look
  /** 1 = unlike anything near, less for each picture shown shortly before that looks like it. */
  variety: number
}

/** The things a picture shows, whatever the hour. */
type Look = ReadonlySet<string>

const lookOf = ([title, tags]: ItemFields): Look => new Set([...title.words, ...tags.words].filter((word) => !word.includes(' ') && !HOURS.has(word)))

/** Share of what two pictures show that both show, 0 to 1 (Jaccard). */
function alike(a: Look, b: Look): number {
  const shared = [...a].filter((word) => b.has(word)).length
  return shared / (a.size + b.size - shared || 1)
}

function varietyOf(look: Look, shown: readonly (readonly Look[])[]): number {
  return ALIKE.reduce((left, weight, back) => left * (1 - weight * Math.max(0, ...(shown.at(-1 - back) ?? []).map((other) => alike(look, other)))), 1)
}

const seenNear = (id: string, scene: number, lastUsed: ReadonlyMap<string, number>) =>
  lastUsed.has(id) && Math.abs(scene - lastUsed.get(id)!) <= SCENES_APART

/** The best pictures not seen near, unlike each other; when none is left, those seen longest ago. */
function freshest(ranked: readonly Ranked[], scene: number, lastUsed: ReadonlyMap<string, number>, shots: number): Ranked[] {
  const fresh = ranked.filter(({ item }) => !seenNear(item.id, scene, lastUsed))
  const worth = fresh.filter(({ score }) => score > 0)
  const stale = ranked.filter((r) => !fresh.includes(r)).sort((a, b) => lastUsed.get(a.item.id)! - lastUsed.get(b.item.id)!)
  return [...unlike(worth, [], shots), ...fresh.filter((r) => !worth.includes(r)), ...stale].slice(0, shots)
}

/** The best of a list one by one, each weighed against those before it and against `beside`. */
function unlike(list: readonly Ranked[], beside: readonly Ranked[], count: number): Ranked[] {
  const taken: Ranked[] = []
  const value = ({ score, variety, look }: Ranked) => score * variety * (1 - ALIKE[0] * Math.max(0, ...[...beside, ...taken].map((other) => alike(look, other.look))))
  while (taken.length < Math.min(count, list.length)) {
    taken.push(list.filter((r) => !taken.includes(r)).reduce((best, r) => (value(r) > value(best) ? r : best)))
  }
  return taken
}

/** Below 1 where the item suits the film less: other shape, too small, a clip that ends too early. */
function fitness(item: Item, scene: SceneToMatch, orientation: Orientation): number {
  const shape = item.orientation === orientation ? 1 : 0.35
  const small = item.height > 0 && Math.max(item.width, item.height) < 900 ? 0.75 : 1
  const shotSeconds = scene.seconds / Math.ceil(scene.seconds / SHOT_SECONDS)
  const short = item.kind === 'clip' && item.seconds !== null && item.seconds < shotSeconds ? 0.6 : 1
  return shape * small * short * (item.kind === 'clip' ? 1.05 : 1)
}

function whyOf({ terms, words }: SceneQuery, itemWords: ReadonlySet<string>): string {
  const own = new Set(words.filter((word) => word.written).map((word) => word.text))
  const hits = [...terms].filter(([text]) => itemWords.has(text)).sort((a, b) => b[1] - a[1]).map(([text]) => text)
  const direct = hits.filter((text) => own.has(text))
  if (direct.length) return `shows ${direct.slice(0, 3).join(', ')}`
  if (hits.length) return `near: ${hits.slice(0, 3).join(', ')}`
  return 'nothing closer in the library'
}
