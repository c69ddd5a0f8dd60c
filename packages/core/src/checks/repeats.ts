import { itemAt } from '../faults/certain.ts'
import { STOP_WORDS } from '../words/stop.ts'
import type { Finding } from './finding.ts'
import type { ScriptWord } from './script-words.ts'

/**
 * Words of a phrase said twice, the longest first; by hand: three words alike are everyday English.
 */
const LONGEST = 9
const SHORTEST = 4
/** Words of weight a repeated run must have, or it is only grammar. */
const WEIGHTY = 2
/** Sentences in a row that begin alike, from which on it is heard; common practice. */
const SAME_OPENINGS = 3

/**
 * Runs of words that come back, longest first and none inside another; three sentences that begin
 * alike.
 */
export function repeatedPhrases(words: readonly ScriptWord[]): Finding[] {
  const plain = words.map(({ text }) => text.toLowerCase().replace(/[’']s$|[.,]/g, ''))
  const covered = new Uint8Array(words.length)
  const findings: Finding[] = []
  for (let length = LONGEST; length >= SHORTEST; length--) {
    const places = new Map<string, number[]>()
    for (let at = 0; at + length <= plain.length; at++) {
      // A phrase ends with its sentence.
      if (itemAt(words, at).scene !== itemAt(words, at + length - 1).scene) continue
      const key = plain.slice(at, at + length).join(' ')
      const known = places.get(key)
      if (known) known.push(at)
      else places.set(key, [at])
    }
    for (const [phrase, found] of places) {
      const apart = found.filter(
        (at, i) => (i === 0 || at - itemAt(found, i - 1) >= length) && !covered[at],
      )
      if (
        apart.length < 2 ||
        phrase.split(' ').filter((word) => !STOP_WORDS.has(word)).length < WEIGHTY
      )
        continue
      for (const at of apart) covered.fill(1, at, at + length)
      for (const at of apart.slice(1))
        findings.push({
          kind: 'repeated',
          from: itemAt(words, at).from,
          to: itemAt(words, at + length - 1).to,
          text: `“${phrase}” was said before.`,
        })
    }
  }
  return [...findings, ...sameOpenings(words)].sort((a, b) => a.from - b.from)
}

function sameOpenings(words: readonly ScriptWord[]): Finding[] {
  const openings = words.filter(({ opens }) => opens)
  return openings.flatMap((word, i): Finding[] => {
    const run = openings.slice(Math.max(0, i - SAME_OPENINGS + 1), i + 1)
    const same =
      run.length === SAME_OPENINGS &&
      run.every(({ text }) => text.toLowerCase() === word.text.toLowerCase())
    return same
      ? [
          {
            kind: 'opening',
            from: word.from,
            to: word.to,
            text: `The third sentence in a row that begins with “${word.text}”.`,
          },
        ]
      : []
  })
}
