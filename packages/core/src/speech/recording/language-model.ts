import { entryOf, itemAt } from '../../faults/certain.ts'
import { wordList } from '../../text/pattern.ts'
/** Shares of probability of a trigram, of a bigram, of a single word. */
const WEIGHTS = { three: 0.6, two: 0.3, one: 0.1 }
/** What people say between words; never part of a script. */
export const FILLERS = ['um', 'uh', 'er', 'hmm'] as const
/** How likely a filler is at each place, by trial on readings with slips. */
const FILLER_SHARE = 0.004
/**
 * Everyday words of all sounds and lengths: what is not of the script is heard as these rather than
 * as words of it.
 */
export const EVERYDAY = wordList(`
    about actually after again always another anything around because before believe better
    between business called children coming country different doing enough everybody example
    family father feeling finally found friend getting given going government happened
    having himself house however important information interest kind know language letter
    like little look making many maybe minute moment money morning mother much myself name
    never nothing number office often other outside paper people perhaps person picture
    place please point possible power present problem public question quite rather really
    reason right room school second service should since small somebody something sometimes
    state still story street system talking thank thing think thought through together
    tomorrow trouble under until usually very village voice watch water week welcome whether
    while whole without woman wonder words working world would write years yesterday young
    yourself
  `)
/** The same of an everyday word that is not in the script. */
const EVERYDAY_SHARE = 0.0008
const START = '<s>'
const END = '</s>'

/**
 * A trigram model of just these sentences in the ARPA format, for a recogniser that is to hear what
 * is read from them: any word may follow any, the words of the script in their order by far the
 * likeliest; fillers and everyday words may stand anywhere.
 *
 * @param sentences words of each, as the recogniser's dictionary has them
 */
export function arpaModel(sentences: readonly (readonly string[])[]): string {
  const counted = () => new Map<string, number>()
  const counts = [counted(), counted(), counted()] as const
  const add = (order: 0 | 1 | 2, key: string) =>
    counts[order].set(key, (counts[order].get(key) ?? 0) + 1)
  // Sentences are read on without a stop, and begun anew in their middle: both are heard as one
  // stream.
  const stream = [START, ...sentences.flat(), END]
  stream.forEach((word, i) => {
    add(0, word)
    if (i > 0) add(1, `${stream[i - 1]} ${word}`)
    if (i > 1) add(2, `${stream[i - 2]} ${stream[i - 1]} ${word}`)
  })
  for (const first of new Set(sentences.flatMap((words) => words.slice(0, 1))))
    add(1, `${START} ${first}`)
  for (const last of new Set(sentences.flatMap((words) => words.slice(-1))))
    add(1, `${last} ${END}`)
  const all = stream.length
  const log = (p: number) => Math.log10(p).toFixed(4)
  const single = [...counts[0]].map(
    ([word, n]) => `${log(n / all)} ${word} ${log(WEIGHTS.one + 0.05)}`,
  )
  for (const [words, share] of [
    [FILLERS, FILLER_SHARE],
    [EVERYDAY, EVERYDAY_SHARE],
  ] as const)
    for (const word of words) if (!counts[0].has(word)) single.push(`${log(share)} ${word} 0.0000`)
  const pairs = [...counts[1]].map(([pair, n]) => {
    const before = entryOf(counts[0], itemAt(pair.split(' '), 0))
    return `${log(Math.min(0.95, ((WEIGHTS.two + WEIGHTS.three) * n) / before))} ${pair} ${log(WEIGHTS.two)}`
  })
  const triples = [...counts[2]].map(([triple, n]) => {
    const before = entryOf(counts[1], triple.split(' ').slice(0, 2).join(' '))
    return `${log(Math.min(0.97, (0.95 * n) / before))} ${triple}`
  })
  return [
    '\\data\\',
    `ngram 1=${single.length}`,
    `ngram 2=${pairs.length}`,
    `ngram 3=${triples.length}`,
    '',
    '\\1-grams:',
    ...single,
    '',
    '\\2-grams:',
    ...pairs,
    '',
    '\\3-grams:',
    ...triples,
    '',
    '\\end\\',
    '',
  ].join('\n')
}
