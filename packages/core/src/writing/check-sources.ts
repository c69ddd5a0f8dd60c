import { itemAt } from '../faults/certain.ts'
import { sentencesOf } from '../script/sentences.ts'
import type { Brief, Draft, DraftSentence, Outline, Source } from './brief.ts'
import { termsOf } from './source-units.ts'

/**
 * So much of what a sentence says must be found in the sentence it names, or it does not stand on
 * it.
 */
const SUPPORT = 0.34
const MARK = /\s*\[((?:s?\d+(?:\.\d+)?[,;\s]*)+)\]/gi

/**
 * Every sentence of a source with the mark it is cited by: "2.14" is the fourteenth of the second
 * source.
 */
export function citedSentences(
  sources: readonly Source[],
): Map<string, { source: string; words: string }> {
  const cited = new Map<string, { source: string; words: string }>()
  sources.forEach(({ id, text }, s) => {
    const plain = text.replace(/\s+/g, ' ')
    sentencesOf(plain).forEach(({ from, to }, i) =>
      cited.set(`${s + 1}.${i + 1}`, { source: id, words: plain.slice(from, to) }),
    )
  })
  return cited
}

/**
 * What somebody else wrote, as a draft: chapters by its headings, each sentence with the sources
 * its marks name, as far as they are there and say what it says.
 *
 * @param text a script whose sentences end with marks such as `[2.14]`
 */
export function draftOfAnswer(text: string, brief: Brief, outline: Outline): Draft {
  const cited = citedSentences(brief.sources)
  const sentences: DraftSentence[] = []
  let chapter = -1
  let [unknown, unsupported, unmarked] = [0, 0, 0]
  for (const block of text.split(/\n+/)) {
    const heading = /^\s*#+\s*(.+)$/.exec(block)
    if (heading) {
      const named = outline.findIndex(
        ({ title }) => title.toLowerCase() === itemAt(heading, 1).trim().toLowerCase(),
      )
      chapter = named >= 0 ? named : Math.min(outline.length - 1, chapter + 1)
      continue
    }
    for (const { said, marks } of marked(block)) {
      const found = marks.flatMap((mark) => cited.get(mark) ?? [])
      unknown += marks.length - found.length
      const standing = found.filter(({ words }) => supports(words, said))
      unsupported += found.length - standing.length
      if (standing.length === 0) unmarked++
      sentences.push({ text: said, chapter, from: standing })
    }
  }
  return {
    sentences,
    limits: [
      ...(unmarked
        ? [
            `${unmarked} of ${sentences.length} sentences stand on nothing that was given: check them, or take them out.`,
          ]
        : []),
      ...(unknown ? [`${unknown} marks name a source sentence that does not exist.`] : []),
      ...(unsupported
        ? [`${unsupported} marks name a source sentence that says something else.`]
        : []),
    ],
  }
}

/** Sentences of a line with the marks behind each; a mark stands before the stop or after it. */
function marked(line: string): { said: string; marks: string[] }[] {
  const marksAt: { at: number; marks: string[] }[] = []
  let plain = ''
  let at = 0
  for (const { index, 0: whole, 1: inside = '' } of line.matchAll(MARK)) {
    plain += line.slice(at, index)
    marksAt.push({ at: plain.length, marks: inside.match(/\d+\.\d+/g) ?? [] })
    at = index + whole.length
  }
  plain += line.slice(at)
  const sentences = sentencesOf(plain)
  return sentences
    .map(({ from, to }, i) => {
      const end = sentences[i + 1]?.from ?? plain.length
      return {
        said: plain.slice(from, to).replace(/\s+/g, ' ').trim(),
        marks: marksAt
          .filter((mark) => mark.at > from && (mark.at <= end || i === sentences.length - 1))
          .flatMap(({ marks }) => marks),
      }
    })
    .filter(({ said }) => /\p{L}/u.test(said))
}

function supports(words: string, said: string): boolean {
  const [own, given] = [termsOf(said), termsOf(words)]
  const figures = said.match(/\d[\d,.]*/g) ?? []
  if (figures.some((figure) => !words.includes(figure.replace(/[,.]$/, '')))) return false
  return (
    own.size === 0 || [...own.keys()].filter((term) => given.has(term)).length / own.size >= SUPPORT
  )
}
