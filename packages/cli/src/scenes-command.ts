import { itemAt } from '@tidy-reel/core/faults/certain'
import { pictureAsked } from '@tidy-reel/core/script/picture-asked'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { searchWords } from '@tidy-reel/core/words/search-words'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import { print } from './print.ts'
import { filmFromFile } from './read-script.ts'

/** Prints the scenes of a script with their search words and lengths. */
export async function scenesCommand(file: string, { json }: { json?: boolean }) {
  const film = await filmFromFile(file)
  const lexicon = await loadLexicon()
  const seconds = sceneSeconds(film.scenes)
  const list = film.scenes.map((scene, i) => ({
    n: i + 1,
    chapter: film.chapters[scene.chapter]?.title ?? '',
    text: scene.text,
    words: searchWords(pictureAsked(scene.directions).see || scene.text, lexicon).map(
      ({ text }) => text,
    ),
    seconds: Math.round(itemAt(seconds, i) * 100) / 100,
  }))
  print(
    json
      ? { scenes: list }
      : list.map((s) => `${s.n}  ${s.seconds.toFixed(1)} s  ${s.text}`).join('\n'),
  )
}
