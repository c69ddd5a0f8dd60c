import { Random } from './paint/random.ts'

/**
 * How a contributor tags: as asked, with every word that is ever looked for, carelessly, or hardly
 * at all.
 */
type Tagging = 'honest' | 'stuffed' | 'misspelt' | 'sparse'

/** Somebody who gives pictures to the library, and how. All of them are made up. */
export interface Contributor {
  name: string
  licence: string
  tagging: Tagging
  /** Titles are numbered through, as of a series. */
  series: boolean
  /** Pixels of the shorter side. */
  lines: number
}

export const CONTRIBUTORS: readonly Contributor[] = [
  { name: 'Quay and Paper', licence: 'CC BY 4.0', tagging: 'honest', series: false, lines: 1080 },
  { name: 'Marsh Lantern', licence: 'CC0 1.0', tagging: 'honest', series: true, lines: 1080 },
  {
    name: 'Tin Whistle Pictures',
    licence: 'CC BY 4.0',
    tagging: 'stuffed',
    series: true,
    lines: 1080,
  },
  { name: 'Saltgrass', licence: 'CC BY-SA 4.0', tagging: 'misspelt', series: false, lines: 1080 },
  { name: 'Two Gulls', licence: 'CC0 1.0', tagging: 'sparse', series: false, lines: 540 },
  {
    name: 'Almanac House',
    licence: 'CC BY-NC 4.0',
    tagging: 'stuffed',
    series: false,
    lines: 1080,
  },
  { name: 'Ferry Lane Studio', licence: 'CC BY 4.0', tagging: 'honest', series: true, lines: 720 },
  { name: 'Old Slipway', licence: '', tagging: 'misspelt', series: true, lines: 1080 },
  {
    name: 'Morning Press',
    licence: 'Editorial use only',
    tagging: 'honest',
    series: false,
    lines: 1080,
  },
  { name: 'Cork Board', licence: 'CC0 1.0', tagging: 'stuffed', series: false, lines: 540 },
]

/** Words that bring lookers and have nothing to do with the picture. */
const STUFFING =
  'beautiful nature background wallpaper travel summer business success concept design art colorful holiday modern texture people happy technology world sky water light'.split(
    ' ',
  )

/** Who gave an item follows from its name. */
export const contributorOf = (id: string): Contributor =>
  CONTRIBUTORS[Math.floor(new Random(`${id} contributor`).next() * CONTRIBUTORS.length)]!

/** A contributor's tags for a picture whose true ones are `tags`. */
export function tagsBy({ tagging }: Contributor, tags: readonly string[], id: string): string[] {
  const random = new Random(`${id} tags`)
  switch (tagging) {
    case 'honest':
      return [...tags]
    case 'sparse':
      return tags.slice(0, 2)
    case 'misspelt':
      return tags.map((tag) => (random.next() < 0.4 ? misspelt(tag, random) : tag))
    case 'stuffed':
      return [...new Set([...tags, ...STUFFING.filter(() => random.next() < 0.7)])]
  }
}

/** Two neighbouring letters inside a word change places. */
function misspelt(word: string, random: Random): string {
  if (word.length < 5) return word
  const at = 1 + Math.floor(random.next() * (word.length - 3))
  return word.slice(0, at) + word[at + 1]! + word[at]! + word.slice(at + 2)
}
