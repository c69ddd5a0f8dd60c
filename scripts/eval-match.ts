/**
 * Prints how well pictures are matched on both halves of the labelled set. `--failures` lists what went wrong in the half that
 * may be looked at, `--speed` measures against a list of 100,000 items.
 */
import { readFileSync } from 'node:fs'
import { labelledCatalogue, labelledScripts, type LabelledScript } from '@tidy-reel/core/match/set/labelled'
import { filmOfScript, judgeMatches, offeredFor, type MatchScore } from '@tidy-reel/core/match/set/measure'
import { pickPictures } from '@tidy-reel/core/match/pick'
import { pictureIndex } from '@tidy-reel/core/match/picture-index'
import { queriesOf } from '@tidy-reel/core/match/queries'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'

const read = (name: string) => readFileSync(new URL(`../packages/core/src/match/set/${name}.txt`, import.meta.url), 'utf8')
const catalogue = labelledCatalogue(read('subjects'))
const items = catalogue.map(({ item }) => item)
const lexicon = await loadLexicon()
const percent = (part: number, whole: number) => `${((part / whole) * 100).toFixed(1)} %`.padStart(7)
const row = (name: string, { scenes, first, four, otherSense, alike }: MatchScore) => `${name.padEnd(10)} ${String(scenes).padStart(4)}  first ${percent(first, scenes)}  one of four ${percent(four, scenes)}  other sense ${percent(otherSense, scenes)}  alike ${alike}`

console.log(`catalogue: ${items.length} items of ${new Set(catalogue.map(({ subject }) => subject)).size} subjects`)
for (const half of ['tuned', 'held'] as const) {
  const scripts = labelledScripts(read('scripts')).filter((script) => script.half === half)
  const judged = judgeMatches(scripts, catalogue, offeredFor(scripts, catalogue, lexicon))
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
  const [script] = labelledScripts(read('scripts')) as [LabelledScript]
  const film = filmOfScript(script)
  const index = timed('\nindex of 100,000 items, once', () => pictureIndex(many, lexicon))
  const queries = timed('reading, a scene', () => queriesOf(film, lexicon, script.title), film.length)
  timed('choosing, a scene, first film', () => pickPictures(film, queries, index, lexicon, { orientation: 'landscape' }), film.length)
  timed('choosing, a scene, another time', () => pickPictures(film, queries, index, lexicon, { orientation: 'landscape' }), film.length)
}
