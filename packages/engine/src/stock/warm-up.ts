import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { Item } from '@tidy-reel/core/pictures/item'
import { loadLexicon } from '../words/wordnet.ts'
import { matchFilm } from './match-film.ts'

const SENTENCES = [
  'On a clear night the beam of a lighthouse is seen from twenty miles out at sea.',
  'It never moves, and yet the lamp inside is no brighter than the one in your kitchen.',
  'Why does it turn?',
  'Because a keeper wound the weight, and the gate of the lock closed behind the boat.',
]
const ITEMS = ['lighthouse on a rock', 'lamp in a kitchen', 'boat in a lock', 'ship at sea']

/**
 * Reads what matching needs to know of words and has it match a few sentences, so that the first
 * film after a start is matched as quickly as the second.
 */
export async function warmUp(): Promise<void> {
  const scenes = SENTENCES.map((text): SceneToMatch => ({ text, chapter: 0, seconds: 4 }))
  const items = ITEMS.map((title, i) =>
    Item.parse({ id: `warm-${i}`, kind: 'photo', title, tags: title.split(' ') }),
  )
  await matchFilm(scenes, await loadLexicon(), items, { orientation: 'landscape', title: 'Light' })
}
