import { itemAt } from '@tidy-reel/core/faults/certain'
import { depictionsOf } from '@tidy-reel/core/match/depictions'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { filmQueries, scenesToMatch } from '@tidy-reel/engine/stock/match-film'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import { titleFrom } from './film-title.ts'
import { print } from './print.ts'
import { filmFromFile } from './read-script.ts'

/** Prints what every scene of a script will show, as rules read it. */
export async function shownCommand(file: string, { json }: { json?: boolean }) {
  const film = await filmFromFile(file)
  const scenes = scenesToMatch(film, sceneSeconds(film.scenes))
  const queries = filmQueries(scenes, await loadLexicon(), titleFrom(file), [])
  const list = depictionsOf(scenes, queries).map((depiction, i) => ({
    n: i + 1,
    text: itemAt(scenes, i).text,
    ...depiction,
  }))
  print(
    json
      ? { scenes: list }
      : list
          .map(({ n, text, see }) => `${n}  ${text}\n   ${see || '(nothing of its own)'}`)
          .join('\n'),
  )
}
