import { readFile } from 'node:fs/promises'
import { resolve } from 'node:path'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/fault'
import { Item } from '@tidy-reel/core/match/item'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { engineConfig } from '@tidy-reel/engine/config'
import { matchFilm, scenesToMatch } from '@tidy-reel/engine/stock/match-film'
import { stockClient } from '@tidy-reel/engine/stock/client'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import { print } from './print.ts'
import { filmFromFile } from './read-script.ts'
import { withStock } from './stock-process.ts'

/** Prints the pictures chosen for every scene, the first being the one the film would show. */
export async function matchCommand(file: string, { json, catalogue }: { json?: boolean; catalogue?: string }) {
  const film = await filmFromFile(file)
  const lexicon = await loadLexicon()
  const toMatch = scenesToMatch(film, sceneSeconds(film.scenes))
  const options = { orientation: 'landscape' as const }
  const items = catalogue ? await readCatalogue(catalogue) : undefined
  const { picks, fault } = items
    ? await matchFilm(toMatch, lexicon, items, options)
    : await withStock(engineConfig(), (address) => matchFilm(toMatch, lexicon, stockClient(address), options))
  if (fault) throw fault
  const list = picks.map(({ candidates }, i) => ({
    text: film.scenes[i]!.text,
    picks: candidates.map(({ item, score, why }) => ({ id: item.id, title: item.title, description: item.description, tags: item.tags, score: Math.round(score * 1000) / 1000, why })),
  }))
  print(json ? { scenes: list } : list.map((s) => `${s.text}\n  ${s.picks.slice(0, 4).map((p) => `${p.title} (${p.why})`).join('\n  ')}`).join('\n'))
}

/** @throws TidyError `file_not_found`, `catalogue_invalid` with the first entry that does not read */
async function readCatalogue(file: string): Promise<Item[]> {
  const text = await readFile(resolve(file), 'utf8').catch(() => {
    throw new TidyError('file_not_found', { name: file })
  })
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new TidyError('catalogue_invalid', { reason: 'it is not JSON' })
  }
  const read = z.array(Item).safeParse(json)
  if (!read.success) throw new TidyError('catalogue_invalid', { reason: `${read.error.issues[0]!.path.join('.')}: ${read.error.issues[0]!.message}` })
  return read.data
}
