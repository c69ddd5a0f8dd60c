import { itemAt } from '../faults/certain.ts'
import { wordList } from '../text/pattern.ts'
import { IDIOMS } from './idioms.ts'
import { lemma, verbLemma } from './lemma.ts'
import type { Term } from './terms.ts'

/** A stretch of terms that is not meant as it stands, end exclusive. */
export interface Figure {
  from: number
  to: number
  kind: 'idiom' | 'likeness' | 'measure'
}

type Pattern = readonly string[]

/** Idioms by the first word that must be there. */
const BY_FIRST = new Map<string, Pattern[]>()
for (const idiom of IDIOMS) {
  const pattern = idiom.split(' ')
  BY_FIRST.set(itemAt(pattern, 0), [...(BY_FIRST.get(itemAt(pattern, 0)) ?? []), pattern])
}

/** Things by which size, weight and number are told: "the weight of three elephants". */
const MEASURES = new Set(
  wordList(`
    weight size height length width breadth thickness depth speed shape strength colour
    color price cost
  `),
)
const COUNTED = new Set(
  'a an the one two three four five six seven eight nine ten twenty hundred thousand million'.split(
    ' ',
  ),
)

/**
 * Where a sentence says something else than it means: set phrases (`IDIOMS`), likenesses ("like a
 * brown beard", "as big as a truck"), measures ("the weight of three elephants").
 *
 * @returns stretches in order of their beginning; they may overlap
 */
export function figuresOf(terms: readonly Term[]): Figure[] {
  const forms = terms.map(({ text }) => formsOf(text))
  return terms.flatMap((_, i) => [
    ...idiomsAt(forms, i),
    ...likenessAt(terms, i),
    ...measureAt(terms, i),
  ])
}

/** A word as an idiom may name it: as it stands, as a noun, as a verb. */
function formsOf(text: string): ReadonlySet<string> {
  const lower = text.toLowerCase().replace(/’/g, "'")
  return new Set([
    lower,
    lower.replace(/'s?$/, ''),
    lemma(lower),
    verbLemma(lower),
    ...lower.split('-'),
  ])
}

function idiomsAt(forms: readonly ReadonlySet<string>[], from: number): Figure[] {
  const patterns = [...itemAt(forms, from)].flatMap((form) => BY_FIRST.get(form) ?? [])
  return patterns.flatMap((pattern) => {
    const to = endOf(pattern, forms, from)
    return to === undefined ? [] : [{ from, to, kind: 'idiom' as const }]
  })
}

/**
 * Where a pattern that begins at a word ends; undefined when it is not there. `_` is a word, `~`
 * none to three.
 */
function endOf(
  [first, ...rest]: Pattern,
  forms: readonly ReadonlySet<string>[],
  at: number,
): number | undefined {
  if (first === undefined) return at
  if (first === '~') {
    for (let skipped = 0; skipped <= 3; skipped++) {
      const end = endOf(rest, forms, at + skipped)
      if (end !== undefined) return end
    }
    return undefined
  }
  const here = forms[at]
  return here && (first === '_' || here.has(first)) ? endOf(rest, forms, at + 1) : undefined
}

/**
 * "like a brown beard", "as thin as a pencil", "no bigger than a bean", and what follows up to the
 * next break or verb.
 */
function likenessAt(terms: readonly Term[], i: number): Figure[] {
  const word = (k: number) => terms[k]?.text.toLowerCase()
  const compared =
    word(i) === 'like' ||
    (word(i) === 'as' && i >= 2 && word(i - 2) === 'as') ||
    (word(i) === 'than' && i > 0 && itemAt(terms, i - 1).tags.has('Comparative'))
  if (!compared || !['a', 'an', 'the'].includes(word(i + 1) ?? '')) return []
  // "animals like the fox" names examples; "moves like the fox" compares.
  if (word(i) === 'like' && i > 0 && itemAt(terms, i - 1).tags.has('Plural')) return []
  let to = i + 2
  while (
    to < terms.length &&
    to < i + 7 &&
    !itemAt(terms, to).afterBreak &&
    !(itemAt(terms, to).tags.has('Verb') && !itemAt(terms, to).tags.has('Gerund'))
  )
    to++
  return [{ from: i, to, kind: 'likeness' }]
}

function measureAt(terms: readonly Term[], i: number): Figure[] {
  const word = (k: number) => terms[k]?.text.toLowerCase() ?? ''
  if (
    !MEASURES.has(word(i)) ||
    word(i + 1) !== 'of' ||
    !(COUNTED.has(word(i + 2)) || terms[i + 2]?.tags.has('Value'))
  )
    return []
  if (word(i + 2) === 'the') return []
  return [{ from: i, to: Math.min(terms.length, i + 4), kind: 'measure' }]
}
