/**
 * Prints for how long pictures stand, by rhythm and half of the labelled scripts, as estimated
 * before anybody has spoken; `-- FILE …` reads scripts of one's own, against the same catalogue.
 */
import { readFileSync } from 'node:fs'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { PLAIN_PICKING } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { pickPictures } from '@tidy-reel/core/match/pick'
import { pictureIndex } from '@tidy-reel/core/match/picture-index'
import { queriesOf } from '@tidy-reel/core/match/queries'
import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { type Rhythm, RHYTHMS } from '@tidy-reel/core/style/film-choices'
import { labelledCatalogue, labelledScripts } from '@tidy-reel/core/test-sets/matching/labelled'
import { filmOfScript } from '@tidy-reel/core/test-sets/matching/measure'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { scenesToMatch } from '@tidy-reel/engine/stock/match-film'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'

const read = (name: string) =>
  readFileSync(new URL(`../packages/core/test-sets/matching/${name}.txt`, import.meta.url), 'utf8')
const lexicon = await loadLexicon()
const items = labelledCatalogue(read('subjects')).map(({ item }) => item)
const index = pictureIndex(items, lexicon)

/** Seconds every picture of a film stands. */
function lengthsOf(scenes: readonly SceneToMatch[], title: string, rhythm: Rhythm): number[] {
  const picking = { ...PLAIN_PICKING, rhythm }
  const queries = queriesOf(scenes, lexicon, title)
  const options = { orientation: 'landscape', picking } as const
  const lengths: number[] = []
  pickPictures(scenes, queries, index, lexicon, options).forEach(({ chosen, begins }, n) => {
    const each = scenes[n]!.seconds / chosen.length
    const own = chosen.map(() => each)
    if (begins === 'hold') lengths[lengths.length - 1]! += own.shift()!
    lengths.push(...own)
  })
  return lengths
}

function row(name: string, lengths: readonly number[], scenes: number) {
  const sorted = lengths.toSorted((a, b) => a - b)
  const under = (seconds: number) =>
    `${((sorted.filter((each) => each < seconds).length / sorted.length) * 100).toFixed(1)} %`
  const at = (share: number) => `${sorted[Math.floor(sorted.length * share)]!.toFixed(1)} s`
  return [
    name.padEnd(16),
    `${scenes} scenes, ${lengths.length} pictures`,
    `under 2 s ${under(2)}, 2.5 s ${under(2.5)}, 3 s ${under(3)}, 8 s ${under(8)}`,
    `middle ${at(0.5)}, 95 % under ${at(0.95)}`,
  ].join('  ')
}

const files = process.argv.slice(2)
const own = files.map((file) => {
  const film = filmOf(documentFrom(file, readFileSync(file, 'utf8')))
  return { half: file, title: '', film: scenesToMatch(film, sceneSeconds(film.scenes)) }
})
const labelled = labelledScripts(read('scripts')).map((script) => ({
  half: script.half,
  title: script.title,
  film: filmOfScript(script),
}))
const scripts = own.length ? own : labelled
for (const half of new Set(scripts.map((script) => script.half)))
  for (const rhythm of RHYTHMS) {
    const films = scripts.filter((script) => script.half === half)
    const lengths = films.flatMap(({ film, title }) => lengthsOf(film, title, rhythm))
    const count = films.reduce((sum, { film }) => sum + film.length, 0)
    console.log(row(`${half}, ${rhythm}`, lengths, count))
  }
