import type { Entry, StockItem } from '../stock/catalogue.ts'
import type { Time } from '../stock/paint/light.ts'
import { Random } from '../stock/paint/random.ts'
import type { Style } from '../stock/paint/styles.ts'
import { MACHINES, PLACES, SUBJECTS } from '../stock/subjects.ts'

/** What an archive writes on the card of one sheet. */
export interface Sheet {
  identifier: string
  caption: string
  subjects: string[]
  medium: 'print' | 'film'
  technique: string
  maker: string
  /** Address of the licence; null where nobody knows. */
  rights: string | null
  made: Entry
}

const TECHNIQUES: readonly { style: Style; said: string }[] = [
  { style: 'engraving', said: 'engraving' },
  { style: 'linocut', said: 'linocut in four blocks' },
  { style: 'watercolour', said: 'watercolour' },
  { style: 'blueprint', said: 'blueprint drawing' },
]
const MAKERS = [
  'Workshop of the Lamp Street Press',
  'The Tidemill Printers',
  'Unsigned, Harbour Drawing Office',
]
const RIGHTS = [
  'https://creativecommons.org/publicdomain/zero/1.0/',
  'https://creativecommons.org/licenses/by/4.0/',
  'https://creativecommons.org/publicdomain/mark/1.0/',
  null,
]
/** Every third subject has been drawn. */
const EVERY = 3

function sheet(
  number: number,
  caption: string,
  subjects: string[],
  setting: string,
  time: Time,
  subject?: { drawing: string; act: (typeof SUBJECTS)[number]['act'] },
): Sheet {
  const identifier = `HP.${String(number).padStart(5, '0')}`
  const random = new Random(identifier)
  const technique = random.pick(TECHNIQUES)
  const film = random.next() < 0.08
  const item: StockItem = {
    id: identifier,
    kind: film ? 'clip' : 'photo',
    title: caption,
    description: '',
    tags: subjects,
    width: 1920,
    height: 1080,
    seconds: film ? 6 : null,
    orientation: 'landscape',
    source: '',
    licence: '',
    author: '',
    link: '',
  }
  return {
    identifier,
    caption,
    subjects,
    medium: film ? 'film' : 'print',
    technique: film ? 'paper cut-out film' : technique.said,
    maker: random.pick(MAKERS),
    rights: random.pick(RIGHTS),
    made: {
      item,
      made: {
        recipe: {
          seed: identifier,
          setting,
          time,
          ...(subject ? { subject } : {}),
          ...(film ? {} : { style: technique.style }),
        },
      },
    },
  }
}

/** The sheets of an archive of prints, by number. Captions say what is drawn and no more. */
export function sheets(): Map<string, Sheet> {
  const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)
  const words = (text: string) => text.split(' ').filter(Boolean)
  let number = 0
  const all = [
    ...Object.entries(MACHINES).map(([setting, { title, tags, times }]) =>
      sheet(++number, title, words(tags), setting, times[0]!),
    ),
    ...Object.entries(PLACES).map(([setting, { name, tags, times }]) =>
      sheet(++number, capital(name), words(tags), setting, times.at(-1)!),
    ),
    ...SUBJECTS.filter((_, i) => i % EVERY === 0).map(({ drawing, name, places, act, tags }) =>
      sheet(
        ++number,
        capital(name),
        [...new Set([...drawing.split('-'), ...tags])],
        places[0]!,
        'day',
        { drawing, act },
      ),
    ),
  ]
  return new Map(all.map((each) => [each.identifier, each]))
}
