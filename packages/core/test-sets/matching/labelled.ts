import type { Item } from '../../src/pictures/item.ts'

/** What makes a sentence hard to find a picture for. */
export type Hardness = 'concrete' | 'pronoun' | 'figure' | 'abstract'

/** A sentence with what a person would accept beside it. */
export interface LabelledScene {
  text: string
  chapter: number
  chapterTitle: string
  hardness: Hardness
  /** Subjects of the catalogue that fit. */
  fits: ReadonlySet<string>
  /** Subjects that have the word and another meaning of it. */
  otherSense: ReadonlySet<string>
  /** What somebody who directs would have seen, written beside the labels; of the unseen scripts. */
  depiction?: string
}

export interface LabelledScript {
  title: string
  /** Worked on, only reported, or written for one reading. */
  half: 'tuned' | 'held' | 'unseen'
  scenes: LabelledScene[]
}

const HARDNESS: Record<string, Hardness> = {
  c: 'concrete',
  p: 'pronoun',
  f: 'figure',
  a: 'abstract',
}

/**
 * Reads the labelled scripts: `% half | title`, `@ subjects of its world`, `# chapter`, then a line
 * a sentence: hardness, sentence, subjects that fit (`@` for all of its world), subjects of another
 * sense, what somebody who directs would have seen.
 */
export function labelledScripts(file: string): LabelledScript[] {
  return file
    .split(/^% /m)
    .slice(1)
    .map((part) => {
      const [head = '', worldLine = '', ...lines] = part.trim().split('\n')
      const [half, title] = head.split(' | ') as [LabelledScript['half'], string]
      const world = worldLine.slice(2).split(' ')
      const scenes: LabelledScene[] = []
      const chapters: string[] = []
      for (const line of lines) {
        if (line.startsWith('# ')) chapters.push(line.slice(2))
        else scenes.push(labelledScene(line, world, chapters))
      }
      return { title, half, scenes }
    })
}

function labelledScene(line: string, world: string[], chapters: string[]): LabelledScene {
  const [hardness, text, fits, otherSense, depiction] = line.split('|') as [
    string,
    string,
    string,
    string?,
    string?,
  ]
  const names = (list = '') => list.split(' ').filter((name) => name && !name.startsWith('@'))
  return {
    text,
    chapter: chapters.length - 1,
    chapterTitle: chapters.at(-1)!,
    hardness: HARDNESS[hardness]!,
    fits: new Set([...names(fits), ...(fits.split(' ').includes('@') ? world : [])]),
    otherSense: new Set(names(otherSense)),
    ...(depiction ? { depiction } : {}),
  }
}

/** An item of the set; `subject` is what it shows, never told to the matcher. */
export interface LabelledItem {
  item: Item
  subject: string
}

const LIGHTS = [
  'Natural light, no people.',
  'Taken with a long lens.',
  'Soft background.',
  'Filmed by hand.',
  'Wide view.',
  'Shot on an overcast morning.',
]
/** Habits of contributors: nothing, tags that say nothing, tags misspelt, tags of everything. */
const STUFFING = [
  [],
  [],
  ['background', 'beautiful', 'concept'],
  [],
  ['nature', 'travel', 'outdoor', 'summer', 'people', 'blue'],
  [],
]

/**
 * Turns the subjects into a catalogue: each title an item, and a second view of the first by the
 * same hand.
 */
export function labelledCatalogue(file: string): LabelledItem[] {
  return file
    .split('\n')
    .filter((line) => line && !line.startsWith('#'))
    .flatMap((line, n) => {
      const [subject, titles, tags] = line.split('|') as [string, string, string]
      return [...titles.split(';'), `${titles.split(';')[0]!}, second view`].map((title, v) => ({
        subject,
        item: itemOf(subject, title, tags.split(' '), n * 7 + (v % 3), v),
      }))
    })
}

function itemOf(subject: string, title: string, tags: string[], hand: number, v: number): Item {
  const own = v % 2 ? [...tags].reverse().slice(0, 4) : tags
  const spelt =
    hand % 11 === 5
      ? own.map((tag) => (tag.length > 6 ? tag.slice(0, 3) + tag.slice(4) : tag))
      : own
  return {
    id: `${subject}-${v + 1}`,
    kind: (hand + v) % 3 ? 'photo' : 'clip',
    title,
    description: `${title.replace(', second view', '')}. ${LIGHTS[(hand + v) % LIGHTS.length]!}`,
    tags: [...spelt, ...STUFFING[hand % STUFFING.length]!],
    width: 1920,
    height: 1080,
    seconds: (hand + v) % 3 ? null : 9,
    orientation: 'landscape',
    source: 'Labelled set',
    licence: 'CC0',
    author: `Contributor ${hand % 37}`,
  }
}
