import { itemAt } from '../faults/certain.ts'
import type { Finding } from './finding.ts'
import type { ScriptWord } from './script-words.ts'

/** Letters of a name that is compared with others. */
const LONGEST_NAME = 60

interface Spelling {
  text: string
  first: ScriptWord
  times: number
}

/**
 * Names that look like two spellings of one: a letter apart ("Fresnel", "Fresnal"), or joined
 * otherwise ("Eddy Stone", "Eddystone").
 */
export function namesSpeltTwoWays(words: readonly ScriptWord[]): Finding[] {
  const spellings = spellingsOf(words)
  const near = nearOnes(spellings)
  return spellings
    .flatMap((one, i) =>
      near(i).flatMap((n): Finding[] => {
        const other = itemAt(spellings, n)
        if (!alike(one.text, other.text)) return []
        const [rarer, usual] = one.times <= other.times ? [one, other] : [other, one]
        return [
          {
            kind: 'name',
            from: rarer.first.from,
            to: rarer.first.to,
            text: `“${rarer.text}” here, “${usual.text}” elsewhere: one name or two?`,
          },
        ]
      }),
    )
    .sort((a, b) => a.from - b.from)
}

/**
 * For each spelling those before it that may be a step away: two words a step apart share a form
 * with one letter less, or are one another's. So not every pair is compared.
 */
function nearOnes(spellings: readonly Spelling[]): (i: number) => number[] {
  const byForm = new Map<string, number[]>()
  const forms = spellings.map(({ text }) => formsOf(bare(text)))
  forms.forEach((of, i) => {
    for (const form of of) {
      const known = byForm.get(form)
      if (known) known.push(i)
      else byForm.set(form, [i])
    }
  })
  return (i) => {
    const near = new Set(itemAt(forms, i).flatMap((form) => byForm.get(form) ?? []))
    return [...near].filter((n) => n < i).sort((a, b) => a - b)
  }
}

/** A word, and what is left of it with each of its letters taken out. */
function formsOf(word: string): string[] {
  if (word.length > LONGEST_NAME) return [word]
  const shorter = Array.from(word, (_, i) => word.slice(0, i) + word.slice(i + 1))
  return [...new Set([word, ...shorter])]
}

/** Capitalised words inside sentences, and pairs of them. */
function spellingsOf(words: readonly ScriptWord[]): Spelling[] {
  const lower = new Set(words.filter(({ text }) => /^\p{Ll}/u.test(text)).map(({ text }) => text))
  const found = new Map<string, Spelling>()
  const count = (text: string, first: ScriptWord) => {
    const known = found.get(text)
    if (known) known.times++
    else found.set(text, { text, first, times: 1 })
  }
  words.forEach((word, i) => {
    const name = word.text.replace(/['’]s$/, '')
    if (!/^\p{Lu}\p{Ll}{2,}/u.test(name) || (word.opens && lower.has(name.toLowerCase()))) return
    count(name, word)
    const next = words[i + 1]
    if (
      next &&
      next.scene === word.scene &&
      next.from - word.to === 1 &&
      /^\p{Lu}\p{Ll}/u.test(next.text)
    )
      count(`${name} ${next.text.replace(/['’]s$/, '')}`, { ...word, to: next.to })
  })
  return [...found.values()]
}

const bare = (name: string) => name.toLowerCase().replace(/[\s'’-]/g, '')

function alike(a: string, b: string): boolean {
  const bareA = bare(a)
  const bareB = bare(b)
  if (bareA === bareB) return a !== b
  if (a.includes(' ') !== b.includes(' ') || Math.min(a.length, b.length) < 5) return false
  // A plural or an adjective of a name is no second spelling.
  if (bareA.startsWith(bareB) || bareB.startsWith(bareA)) return false
  return a[0] === b[0] && oneStepApart(bareA, bareB)
}

/**
 * * One letter put in, left out, changed, or two neighbours swapped (Damerau–Levenshtein distance
 * 1).
 *
 * @returns false for equal words
 */
export function oneStepApart(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1 || a === b) return false
  let at = 0
  while (a[at] === b[at]) at++
  const [restA, restB] = [a.slice(at), b.slice(at)]
  return (
    restA.slice(1) === restB.slice(1) ||
    restA.slice(1) === restB ||
    restA === restB.slice(1) ||
    (restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2))
  )
}
