import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { contributorOf, tagsBy } from './contributors.ts'
import { creditsOf } from './credits.ts'
import type { Time } from './paint/light.ts'
import { Random } from './paint/random.ts'
import type { Recipe } from './recipes.ts'
import { MACHINES, PLACES, type Subject, SUBJECTS } from './subjects.ts'

/** What a stock library tells of one picture. */
export interface StockItem {
  id: string
  kind: 'clip' | 'photo'
  title: string
  description: string
  tags: string[]
  width: number
  height: number
  seconds: number | null
  orientation: 'landscape' | 'portrait' | 'square'
  source: string
  licence: string
  author: string
  /** Of its page; empty where it has none. */
  link: string
}

/** An item and what its files are made from. */
export interface Entry {
  item: StockItem
  made: { recipe: Recipe } | { photo: string }
}

/** Lengths of clips, in seconds; which one a clip has follows from its name. */
const LENGTHS = [5.5, 6.5, 8.2]
const lengthOf = (id: string) =>
  LENGTHS[Math.floor(new Random(`${id} length`).next() * LENGTHS.length)]!
const SAID: Record<Time, string> = {
  day: 'by day',
  dawn: 'at dawn',
  dusk: 'at dusk',
  night: 'at night',
  grey: 'under a grey sky',
}
const TIME_TAGS: Record<Time, string[]> = {
  day: ['day'],
  dawn: ['dawn', 'morning', 'sunrise'],
  dusk: ['dusk', 'evening', 'sunset'],
  night: ['night', 'dark'],
  grey: ['cloudy', 'grey'],
}
/** Settings whose light does not change with the hour. */
const TIMELESS = new Set(['space', 'underwater', 'plain', 'theatre', 'oldMap'])

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)
const words = (text: string) => text.split(' ').filter(Boolean)

function painted(
  id: string,
  kind: 'clip' | 'photo',
  about: Pick<StockItem, 'title' | 'description' | 'tags'>,
  recipe: Recipe,
): Entry {
  const [width, height] = recipe.upright ? [1080, 1920] : [1920, 1080]
  return {
    item: {
      id,
      kind,
      ...about,
      width,
      height,
      seconds: kind === 'clip' ? lengthOf(id) : null,
      orientation: recipe.upright ? 'portrait' : 'landscape',
      source: 'Paper Theatre, painted by the stock stand-in',
      licence: recipe.subject ? 'MIT (drawing: Fluent Emoji) and Apache-2.0' : 'Apache-2.0',
      author: 'Tidy Reel',
      link: '',
    },
    made: { recipe },
  }
}

function timesFor(index: number, setting: string): Time {
  if (TIMELESS.has(setting)) return setting === 'theatre' ? 'night' : 'day'
  if (setting === 'starryHill') return 'night'
  if (setting === 'storm') return 'grey'
  return (['day', 'dusk', 'day', 'dawn', 'day', 'night'] as const)[index % 6]!
}

function subjectEntries(): Entry[] {
  return SUBJECTS.flatMap((subject, i) =>
    subject.places.map((place, p) => {
      const time = timesFor(i + p * 3, place)
      const where = PLACES[place]?.name ?? 'coloured paper'
      const id = `paper-${subject.drawing}-${place}`
      const said = TIMELESS.has(place) ? '' : ` ${SAID[time]}`
      return painted(
        id,
        p === 0 ? 'clip' : 'photo',
        {
          title: `${capital(subject.name)}${said}`,
          description: `${capital(subject.name)}${said} with ${where} behind; cut from coloured paper.`,
          tags: [
            ...new Set([
              ...words(subject.drawing.replace(/-/g, ' ')),
              ...subject.tags,
              ...(TIMELESS.has(place) ? [] : TIME_TAGS[time]),
            ]),
          ],
        },
        { seed: id, setting: place, time, subject: { drawing: subject.drawing, act: subject.act } },
      )
    }),
  )
}

/** Other hours and shapes of the same subjects, from contributors with habits of their own. */
function contributedEntries(): Entry[] {
  return SUBJECTS.flatMap((subject, i) => {
    const places = subject.places.includes('plain') ? subject.places : [...subject.places, 'plain']
    return places.flatMap((place, p) =>
      hoursOf(place, timesFor(i + p * 3, place)).map((time, t) =>
        contributed(subject, place, time, t + 1),
      ),
    )
  })
}

/**
 * Hours a place is shown at besides `first`; one more of another day where the hour changes
 * nothing.
 */
const hoursOf = (place: string, first: Time): Time[] =>
  TIMELESS.has(place)
    ? [place === 'theatre' ? 'night' : 'day']
    : (['day', 'dusk', 'night', 'dawn', 'grey'] as const)
        .filter((time) => time !== first)
        .slice(0, 3)

function contributed(subject: Subject, place: string, time: Time, number: number): Entry {
  const id = `paper-${subject.drawing}-${place}-${TIMELESS.has(place) ? 'two' : time}`
  const by = contributorOf(id)
  const upright = new Random(`${id} shape`).next() < 0.12
  const said = TIMELESS.has(place) ? '' : ` ${SAID[time]}`
  const tags = [
    ...new Set([
      ...words(subject.drawing.replace(/-/g, ' ')),
      ...subject.tags,
      ...(TIMELESS.has(place) ? [] : TIME_TAGS[time]),
    ]),
  ]
  const { item, made } = painted(
    id,
    new Random(`${id} kind`).next() < 0.3 ? 'clip' : 'photo',
    {
      title: `${capital(subject.name)}${said}${by.series ? ` ${number}` : ''}`,
      description:
        by.tagging === 'sparse'
          ? ''
          : `${capital(subject.name)}${said} with ${PLACES[place]?.name ?? 'coloured paper'} behind; cut from coloured paper.`,
      tags: tagsBy(by, tags, id),
    },
    {
      seed: id,
      setting: place,
      time,
      subject: { drawing: subject.drawing, act: subject.act },
      ...(upright ? { upright } : {}),
    },
  )
  const size = (pixels: number) => Math.round((pixels * by.lines) / 1080 / 2) * 2
  return {
    item: {
      ...item,
      width: size(item.width),
      height: size(item.height),
      licence: by.licence,
      author: by.name,
      source: 'Paper Theatre (drawings: Fluent Emoji, MIT)',
      link: `https://paper-theatre.example/pictures/${id}`,
    },
    made,
  }
}

function placeEntries(): Entry[] {
  return Object.entries(PLACES).flatMap(([place, { name, tags, times }]) =>
    times.map((time, i) => {
      const id = `paper-${place}-${time}`
      const said = TIMELESS.has(place) ? '' : ` ${SAID[time]}`
      return painted(
        id,
        i === 0 || i === 2 ? 'clip' : 'photo',
        {
          title: `${capital(name)}${said}`,
          description: `${capital(name)}${said}, in layers of cut paper; nobody and nothing in front.`,
          tags: [...words(tags), ...TIME_TAGS[time]],
        },
        { seed: id, setting: place, time },
      )
    }),
  )
}

function machineEntries(): Entry[] {
  return Object.entries(MACHINES).flatMap(([setting, { title, description, tags, times }]) =>
    times.map((time) => {
      const id = `paper-${setting}-${time}`
      const said =
        times.length > 1 &&
        !['tides', 'solarSystem', 'lens', 'oilLamp', 'hearth', 'gears'].includes(setting)
          ? `, ${SAID[time].replace(/^by |^at |^under a /, '')}`
          : ''
      return painted(
        id,
        'clip',
        {
          title: `${title}${said}`,
          description: `${description} Cut from coloured paper.`,
          tags: [...words(tags), ...(said ? TIME_TAGS[time] : [])],
        },
        { seed: id, setting, time },
      )
    }),
  )
}

/** Upright pictures of the places and subjects a vertical film needs most. */
function uprightEntries(): Entry[] {
  const upright = [
    'sea',
    'beach',
    'harbour',
    'underwater',
    'hills',
    'mountains',
    'forest',
    'desert',
    'river',
    'city',
    'street',
    'space',
    'starryHill',
    'snowland',
  ]
  const machine = ['lighthouse', 'rockLight', 'lens', 'waterfall', 'gears', 'windTurbines']
  return [
    ...upright.map((place) => {
      const { name, tags, times } = PLACES[place]!
      return painted(
        `paper-${place}-upright`,
        'clip',
        {
          title: `${capital(name)}, upright`,
          description: `${capital(name)} in layers of cut paper, for tall screens.`,
          tags: words(tags),
        },
        { seed: `${place} upright`, setting: place, time: times[0]!, upright: true },
      )
    }),
    ...machine.map((setting) => {
      const { title, description, tags, times } = MACHINES[setting]!
      return painted(
        `paper-${setting}-upright`,
        'clip',
        {
          title: `${title}, upright`,
          description: `${description} Cut from coloured paper, for tall screens.`,
          tags: words(tags),
        },
        { seed: `${setting} upright`, setting, time: times[1] ?? times[0]!, upright: true },
      )
    }),
  ]
}

/** What people call a picture's shape: one that is nearly square is square. */
function roughShape({ width, height }: { width: number; height: number }) {
  if (width > height * 1.1) return 'landscape'
  return height > width * 1.1 ? 'portrait' : 'square'
}

/** Photographs whose package lies in the media folder; those missing there are left out. */
function photoEntries(mediaFolder: string): Entry[] {
  const table = readFileSync(new URL('./photos.tsv', import.meta.url), 'utf8')
  const sizes = photoSizes(mediaFolder)
  return table
    .split('\n')
    .filter((line) => line && !line.startsWith('#'))
    .flatMap((line): Entry[] => {
      const [pack, path, title, tags, licence, author] = line.split('\t') as [
        string,
        string,
        string,
        string,
        string?,
        string?,
      ]
      const file = join(mediaFolder, pack, pack === 'gcompris' ? `${path}.webp` : path)
      const size = sizes[`${pack}/${path}`]
      if (!size || !existsSync(file)) return []
      const credit = {
        link: '',
        ...(licence
          ? { licence, author: author ?? '', source: `Debian package ${pack}` }
          : creditsOf(mediaFolder, path)),
      }
      const id = `photo-${path
        .replace(/^.*\//, '')
        .replace(/\.\w+$/, '')
        .replace(/_by_.*/, '')
        .toLowerCase()}-${path.split('/').at(-2)!.toLowerCase()}`
      const orientation = roughShape(size)
      return [
        {
          item: {
            id,
            kind: 'photo',
            title,
            description: `Photograph: ${title.charAt(0).toLowerCase()}${title.slice(1)}.`,
            tags: words(tags),
            ...size,
            seconds: null,
            orientation,
            ...credit,
          },
          made: { photo: file },
        },
      ]
    })
}

const Sizes = z.record(z.string(), z.object({ width: z.number(), height: z.number() }))

/** Sizes as the set-up measured them, so that starting opens no picture. */
function photoSizes(mediaFolder: string): Record<string, { width: number; height: number }> {
  const file = join(mediaFolder, 'sizes.json')
  return existsSync(file) ? Sizes.parse(JSON.parse(readFileSync(file, 'utf8'))) : {}
}

/** Everything the library offers, each id once. */
export function catalogue(mediaFolder: string): Map<string, Entry> {
  const entries = [
    ...machineEntries(),
    ...placeEntries(),
    ...subjectEntries(),
    ...uprightEntries(),
    ...contributedEntries(),
    ...photoEntries(mediaFolder),
  ]
  return new Map(entries.map((entry) => [entry.item.id, entry]))
}
