import { wordList } from '../text/pattern.ts'
import type { Item } from './item.ts'

/** Words that say people are in a picture. */
const PEOPLE = new Set(
  wordList(`
    people person man woman men women boy girl child children baby family couple crowd
    worker workers farmer doctor nurse teacher player athlete runner dancer tourist audience
    portrait face hand hands team soldier fisherman sailor keeper baker engineer scientist
    student lady gentleman
  `),
)

/** True where the words of a picture name people. */
export const showsPeople = ({
  title,
  tags,
  description,
}: Pick<Item, 'title' | 'tags' | 'description'>) =>
  (`${title} ${tags.join(' ')} ${description}`.toLowerCase().match(/\p{L}+/gu) ?? []).some((word) =>
    PEOPLE.has(word),
  )
