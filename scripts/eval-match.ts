/**
 * Prints how well pictures are matched on both halves of the labelled set. `--failures` lists what
 * went wrong in the half that may be looked at, `--speed` measures against a list of 100,000 items.
 */
import { readFileSync } from 'node:fs'
import { pickPictures } from '@tidy-reel/core/match/pick'
import { pictureIndex } from '@tidy-reel/core/match/picture-index'
import { queriesOf, searchesOf } from '@tidy-reel/core/match/queries'
import { shortlist } from '@tidy-reel/core/match/shortlist'
import {
  labelledCatalogue,
  type LabelledScript,
  labelledScripts,
} from '@tidy-reel/core/test-sets/matching/labelled'
import {
  filmOfScript,
  judgeMatches,
  type MatchJudgement,
  type MatchScore,
  offeredFor,
} from '@tidy-reel/core/test-sets/matching/measure'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'

const read = (name: string) =>
  readFileSync(new URL(`../packages/core/test-sets/matching/${name}.txt`, import.meta.url), 'utf8')
const catalogue = labelledCatalogue(read('subjects'))
const items = catalogue.map(({ item }) => item)
const lexicon = await loadLexicon()
const percent = (part: number, whole: number) =>
  `${((part / whole) * 100).toFixed(1)} %`.padStart(7)
const row = (
  name: string,
  { scenes, first, four, otherSense, alike, pictures, again }: MatchScore,
) =>
  `${name.padEnd(10)} ${String(scenes).padStart(4)}  first ${percent(first, scenes)}  one of four ${percent(four, scenes)}  other sense ${percent(otherSense, scenes)}  alike ${alike}  shown before ${again} of ${pictures}`

function printJudged({ byHardness, bySureness, all }: MatchJudgement) {
  for (const [name, score] of [...byHardness, ...bySureness]) console.log(row(name, score))
  console.log(row('all', all))
}

console.log(
  `catalogue: ${items.length} items of ${new Set(catalogue.map(({ subject }) => subject)).size} subjects`,
)
for (const half of ['tuned', 'held'] as const) {
  const scripts = labelledScripts(read('scripts')).filter((script) => script.half === half)
  const judged = judgeMatches(scripts, catalogue, offeredFor(scripts, catalogue, lexicon))
  console.log(`\n${half}: ${scripts.length} scripts`)
  printJudged(judged)
  if (half === 'tuned' && process.argv.includes('--failures'))
    console.log(judged.failures.join('\n'))
}

// Scripts far from those that were worked on, in a library that has their subjects too.
const wider = labelledCatalogue(`${read('subjects')}\n${read('unseen-subjects')}`)
const unseen = labelledScripts(read('unseen-scripts'))
const judgedUnseen = judgeMatches(unseen, wider, offeredFor(unseen, wider, lexicon))
console.log(`\nunseen: ${unseen.length} scripts, ${wider.length} items`)
printJudged(judgedUnseen)
const directed = offeredFor(unseen, wider, lexicon, 'landscape', true)
console.log(row('directed', judgeMatches(unseen, wider, directed).all))
if (process.argv.includes('--unseen-failures')) console.log(judgedUnseen.failures.join('\n'))

if (process.argv.includes('--shapes')) {
  // Every second item of the same library is upright.
  const mixed = catalogue.map(({ item, subject }, i) => {
    const upright = { ...item, width: 1080, height: 1920, orientation: 'portrait' as const }
    return { subject, item: i % 2 ? upright : item }
  })
  const scripts = labelledScripts(read('scripts'))
  for (const shape of ['landscape', 'portrait'] as const)
    console.log(
      row(shape, judgeMatches(scripts, mixed, offeredFor(scripts, mixed, lexicon, shape)).all),
    )
}

if (process.argv.includes('--speed')) {
  const many = Array.from({ length: 100_000 }, (_, i) => ({
    ...items[i % items.length]!,
    id: `item-${i}`,
    title: `${items[i % items.length]!.title} ${Math.floor(i / items.length)}`,
  }))
  const timed = <T>(name: string, work: () => T, per = 1): T => {
    const started = performance.now()
    const result = work()
    console.log(`${name} ${((performance.now() - started) / per).toFixed(1)} ms`)
    return result
  }
  const [script] = labelledScripts(read('scripts')) as [LabelledScript]
  const film = filmOfScript(script)
  const queries = timed(
    '\nreading, a scene',
    () => queriesOf(film, lexicon, script.title),
    film.length,
  )
  const searches = [...new Set(queries.flatMap(searchesOf))]
  timed('a list of 100,000 items made ready, once', () => shortlist(many, []))
  const choose = () => {
    const short = shortlist(many, searches)
    pickPictures(film, queries, pictureIndex(short, lexicon), lexicon, {
      orientation: 'landscape',
    })
    return short.length
  }
  const length = timed('choosing, a scene, first film', choose, film.length)
  timed(
    `choosing, a scene, another time (of ${length} items that ${searches.length} searches bring)`,
    choose,
    film.length,
  )
}
