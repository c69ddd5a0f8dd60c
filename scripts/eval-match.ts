/**
 * Prints how well pictures are matched on both halves of the labelled set. `--failures` lists what went wrong in the half that
 * may be looked at, `--speed` measures against a list of 100,000 items.
 */
import { readFileSync } from 'node:fs'
import { estimateSeconds } from '@tidy-reel/core/script/estimate'
import { labelledCatalogue, labelledScripts, type LabelledScript } from '@tidy-reel/core/match/set/labelled'
import { judgeMatches, type MatchScore } from '@tidy-reel/core/match/set/measure'
import { pickPictures } from '@tidy-reel/core/match/pick'
import { pictureIndex } from '@tidy-reel/core/match/picture-index'
import { queriesOf } from '@tidy-reel/core/match/queries'
import { matchFilm } from '@tidy-reel/engine/stock/match-film'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'

const read = (name: string) => readFileSync(new URL(`../packages/core/src/match/set/${name}.txt`, import.meta.url), 'utf8')
const catalogue = labelledCatalogue(read('subjects'))
const items = catalogue.map(({ item }) => item)
const lexicon = await loadLexicon()
const percent = (part: number, whole: number) => `${((part / whole) * 100).toFixed(1)} %`.padStart(7)
const row = (name: string, { scenes, first, four, otherSense, alike }: MatchScore) => `${name.padEnd(10)} ${String(scenes).padStart(4)}  first ${percent(first, scenes)}  one of four ${percent(four, scenes)}  other sense ${percent(otherSense, scenes)}  alike ${alike}`

async function offered({ title, scenes }: LabelledScript): Promise<string[][]> {
  const film = scenes.map(({ text, chapter, chapterTitle }) => ({ text, chapter, chapterTitle, seconds: estimateSeconds(text) }))
  const { picks } = await matchFilm(film, lexicon, items, { orientation: 'landscape', title })
  return picks.map(({ chosen, candidates }) => [...new Set([...chosen.slice(0, 1), ...candidates.map((c) => c.item)].map((item) => item.id))])
}

console.log(`catalogue: ${items.length} items of ${new Set(catalogue.map(({ subject }) => subject)).size} subjects`)
for (const half of ['tuned', 'held'] as const) {
  const scripts = labelledScripts(read('scripts')).filter((script) => script.half === half)
  const judged = judgeMatches(scripts, catalogue, await Promise.all(scripts.map(offered)))
  console.log(`\n${half}: ${scripts.length} scripts`)
  for (const [hardness, score] of judged.byHardness) console.log(row(hardness, score))
  console.log(row('all', judged.all))
  if (half === 'tuned' && process.argv.includes('--failures')) console.log(judged.failures.join('\n'))
}

if (process.argv.includes('--speed')) {
  const many = Array.from({ length: 100_000 }, (_, i) => ({ ...items[i % items.length]!, id: `item-${i}` }))
  const timed = <T>(name: string, work: () => T, per = 1): T => {
    const started = performance.now()
    const result = work()
    console.log(`${name} ${((performance.now() - started) / per).toFixed(1)} ms`)
    return result
  }
  const [{ title, scenes }] = labelledScripts(read('scripts')) as [LabelledScript]
  const film = scenes.map(({ text, chapter, chapterTitle }) => ({ text, chapter, chapterTitle, seconds: estimateSeconds(text) }))
  const index = timed('\nindex of 100,000 items, once', () => pictureIndex(many, lexicon))
  const queries = timed('reading, a scene', () => queriesOf(film, lexicon, title), film.length)
  timed('choosing, a scene, first film', () => pickPictures(film, queries, index, lexicon, { orientation: 'landscape' }), film.length)
  timed('choosing, a scene, another time', () => pickPictures(film, queries, index, lexicon, { orientation: 'landscape' }), film.length)
}
