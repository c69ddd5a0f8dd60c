import { readingEase } from '../checks/reading-ease.ts'
import { sentencesIn } from '../script/paragraphs.ts'

/** How somebody writes, in figures. */
export interface Style {
  words: number
  /** Words a sentence, on average. */
  sentenceWords: number
  /** In 100 words. */
  first: number
  we: number
  you: number
  contractions: number
  /** Flesch–Kincaid: school years (Kincaid et al. 1975, from memory). */
  grade: number
  /** Questions in 100 sentences. */
  questions: number
  /** The commonest first words of sentences with their share in 100. */
  openings: { word: string; share: number }[]
}

/** @returns undefined for fewer than 30 words: nothing can be told from them */
export function styleOf(text: string): Style | undefined {
  const ease = readingEase(text)
  const words = text.match(/\p{L}[\p{L}’'-]*/gu) ?? []
  if (!ease || words.length < 30) return undefined
  const sentences = sentencesIn(text).map(({ from, to }) => text.slice(from, to))
  const share = (pattern: RegExp) =>
    (words.filter((word) => pattern.test(word)).length * 100) / words.length
  const firsts = new Map<string, number>()
  for (const sentence of sentences) {
    const word = /\p{L}[\p{L}’']*/u.exec(sentence)?.[0].toLowerCase()
    if (word) firsts.set(word, (firsts.get(word) ?? 0) + 1)
  }
  return {
    words: words.length,
    sentenceWords: words.length / sentences.length,
    first: share(/^(?:i|me|my|mine|i['’]\w+)$/i),
    we: share(/^(?:we|us|our|ours|we['’]\w+)$/i),
    you: share(/^(?:you|your|yours|you['’]\w+)$/i),
    contractions: share(
      /n['’]t$|['’](?:re|ll|ve|d|m)$|^(?:it|that|there|he|she|what|who|here)['’]s$/i,
    ),
    grade: (0.39 * ease.words) / ease.sentences + (11.8 * ease.syllables) / ease.words - 15.59,
    questions:
      (sentences.filter((sentence) => /\?["”’)]?$/.test(sentence)).length * 100) / sentences.length,
    openings: [...firsts]
      .sort((a, b) => b[1] - a[1])
      .slice(0, 5)
      .map(([word, times]) => ({ word, share: (times * 100) / sentences.length })),
  }
}

/** Where a text departs from the way somebody writes, in words; nothing where it is near. */
export function departures(draft: Style, own: Style): string[] {
  const one = (n: number) => n.toFixed(1)
  const said: string[] = []
  if (Math.abs(draft.sentenceWords - own.sentenceWords) > Math.max(3, own.sentenceWords * 0.25))
    said.push(
      `Sentences of ${one(draft.sentenceWords)} words; yours have ${one(own.sentenceWords)}.`,
    )
  if (Math.abs(draft.grade - own.grade) > 2)
    said.push(`It reads like school year ${one(draft.grade)}; yours like ${one(own.grade)}.`)
  for (const [key, name] of [
    ['you', 'speaks to the viewer'],
    ['we', 'says we'],
    ['first', 'says I'],
    ['contractions', 'uses short forms (it’s, don’t)'],
  ] as const) {
    if (Math.abs(draft[key] - own[key]) > Math.max(0.8, own[key] * 0.6))
      said.push(`It ${name} ${one(draft[key])} times in 100 words; you do ${one(own[key])} times.`)
  }
  if (Math.abs(draft.questions - own.questions) > Math.max(4, own.questions * 0.7))
    said.push(
      `${Math.round(draft.questions)} of 100 sentences ask; of yours ${Math.round(own.questions)}.`,
    )
  const missing = own.openings.filter(
    ({ word, share }) => share > 8 && !draft.openings.some((other) => other.word === word),
  )
  if (missing.length)
    said.push(
      `You often begin with ${missing.map(({ word }) => `“${word}”`).join(', ')}; it does not.`,
    )
  return said
}
