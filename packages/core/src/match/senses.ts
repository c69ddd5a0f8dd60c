import { lemma } from '../words/lemma.ts'
import type { Lexicon, Sense } from '../words/lexicon.ts'
import { STOP_WORDS } from '../words/stop.ts'
import { addTo, dot, unit, type Vector } from '../words/vectors.ts'

/**
 * How sharply a context decides, and how much commoner senses are favoured before any context is
 * seen.
 */
const SHARPNESS = 7
const COMMONER = 0.22

/** A noun in a context: its meanings and how likely each is there; likelihoods add up to 1. */
export interface Meaning {
  senses: readonly Sense[]
  likely: readonly number[]
  /** How likely something is meant that is about the same as each sense. */
  about: readonly number[]
}

/** What is known of a noun's senses whatever the context. */
interface Signed {
  /** What each is about, of length 1. */
  signatures: readonly Vector[]
  /** How far two of them are about the same, 0 to 1: a bank and its building. */
  alike: readonly (readonly number[])[]
}

/** Senses nearer than this begin to be about the same. */
const APART = 0.35
const signed = new WeakMap<readonly Sense[], Signed>()

function signedOf(
  senses: readonly Sense[],
  noun: string,
  lexicon: Lexicon,
  dimensions: number,
): Signed {
  const known = signed.get(senses)
  if (known) return known
  const signatures = senses.map((sense) => unit(signatureOf(sense, noun, lexicon, dimensions)))
  const alike = signatures.map((a, i) =>
    signatures.map((b, j) => (i === j ? 1 : Math.max(0, dot(a, b) - APART) / (1 - APART))),
  )
  const found = { signatures, alike }
  signed.set(senses, found)
  return found
}

/**
 * What a sense is about: its words, those of its explanation and its wider and narrower kinds,
 * without the noun itself.
 */
function signatureOf(sense: Sense, noun: string, lexicon: Lexicon, dimensions: number): Vector {
  const sum = new Float32Array(dimensions)
  const add = (text: string, weight: number) => {
    for (const part of text.toLowerCase().match(/[a-z]+/g) ?? []) {
      const word = lemma(part)
      const vector = word === noun || STOP_WORDS.has(word) ? undefined : lexicon.vector(word)
      if (vector) addTo(sum, vector, weight * rarityOf(word, lexicon))
    }
  }
  for (const word of sense.words) add(word, 1.5)
  for (const word of sense.wider) add(word, 0.7)
  for (const word of sense.narrower) add(word, 0.3)
  add(sense.gloss, 1)
  return sum
}

/** A rare word tells more of what a text is about: 0.2 for the commonest to 1. */
export const rarityOf = (word: string, lexicon: Lexicon) =>
  Math.min(1, Math.max(0.2, (6.4 - lexicon.frequency(word)) / 3.2))

/**
 * How likely each sense of a noun is beside a context.
 *
 * @param context what stands around it, without the noun itself
 * @param pinned  id of the sense a person chose
 * @returns undefined for a noun with one sense or none
 */
export function meaningIn(
  noun: string,
  context: Vector,
  lexicon: Lexicon,
  pinned?: string,
): Meaning | undefined {
  const senses = lexicon.senses(noun)
  if (senses.length < 2) return undefined
  const { signatures, alike } = signedOf(senses, noun, lexicon, context.length)
  const direction = unit(context)
  const raw =
    pinned && senses.some(({ id }) => id === pinned)
      ? senses.map(({ id }) => Number(id === pinned))
      : signatures.map((signature, rank) =>
          Math.exp(SHARPNESS * dot(signature, direction) - COMMONER * rank),
        )
  const sum = raw.reduce((a, b) => a + b, 0)
  const likely = raw.map((value) => value / sum)
  return { senses, likely, about: alike.map((row) => scalar(row, likely)) }
}

const scalar = (a: readonly number[], b: readonly number[]) =>
  a.reduce((sum, value, i) => sum + value * b[i]!, 0)

/**
 * How far two contexts mean the same by a noun: 1 when they agree, near 0 when each means something
 * else. Senses that are about the same (a bank and its building) agree in part.
 *
 * @returns about 0 to 1
 */
export const agreement = (a: Meaning, b: Meaning): number =>
  scalar(a.about, b.likely) / Math.sqrt(scalar(a.about, a.likely) * scalar(b.about, b.likely))

/**
 * Where a noun points in what it means here: its own direction where it has but one meaning.
 *
 * @returns of length 1 or, for a word nobody knows, without any direction
 */
export function meantDirection(
  noun: string,
  { senses, likely }: Meaning,
  lexicon: Lexicon,
  dimensions: number,
): Vector {
  const sum = new Float32Array(dimensions)
  const own = lexicon.vector(noun)
  if (own) addTo(sum, own, OWN_DIRECTION)
  signedOf(senses, noun, lexicon, dimensions).signatures.forEach((signature, i) =>
    addTo(sum, signature, (1 - OWN_DIRECTION) * likely[i]!),
  )
  return unit(sum)
}

/** How much of a noun's direction is left to all its uses together. */
const OWN_DIRECTION = 0.75
