import { z } from 'zod'
import { emptyDocument } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { Item } from '@tidy-reel/core/pictures/item'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { engineConfig } from '@tidy-reel/engine/config'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { matchDocument, WIDE } from '@tidy-reel/engine/stock/match-film'
import { readJson } from './document-files.ts'
import { titleFrom } from './film-title.ts'
import { print } from './print.ts'
import { filmFromFile } from './read-script.ts'
import { withStock } from './stock-process.ts'

/** Prints the pictures chosen for every scene, the first being the one the film would show. */
export async function matchCommand(
  file: string,
  { json, catalogue }: { json?: boolean; catalogue?: string },
) {
  const film = await filmFromFile(file)
  const config = engineConfig()
  const document = emptyDocument(titleFrom(file))
  const wish = { shape: WIDE, seconds: sceneSeconds(film.scenes) }
  const items = catalogue
    ? await readJson(
        catalogue,
        z.array(Item),
        (reason) => new TidyError('catalogue_invalid', { reason }),
      )
    : undefined
  const { picks, faults } = items
    ? await matchDocument(document, film, items, wish)
    : await withStock(config, (address) =>
        matchDocument(document, film, pictureLibrary({ ...config, stock: address }), wish),
      )
  if (faults[0] && picks.every(({ chosen }) => !chosen.length)) throw faults[0]
  for (const { message } of faults) process.stderr.write(`${message}\n`)
  const list = picks.map(({ candidates, numbers, begins }, i) => ({
    text: itemAt(film.scenes, i).text,
    /** The picture of the scene before goes on; it is the first pick. */
    holds: begins === 'hold',
    /** Its first picture begins under the last word of the scene before. */
    early: begins === 'early',
    numbers,
    picks: candidates.map(({ item, score, why, sure }) => ({
      id: item.id,
      title: item.title,
      description: item.description,
      tags: item.tags,
      score: Math.round(score * 1000) / 1000,
      sure,
      why,
    })),
  }))
  print(
    json
      ? { scenes: list }
      : list
          .map(
            (s) =>
              `${s.text}\n  ${s.picks
                .slice(0, 4)
                .map((p) => `${p.title} (${p.why})`)
                .join('\n  ')}`,
          )
          .join('\n'),
  )
}
