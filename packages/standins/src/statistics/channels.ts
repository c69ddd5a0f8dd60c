/** One film of an invented channel. */
export interface StatisticsFilm {
  id: string
  title: string
  published: string
  views: number
  seconds: number
}

export interface StatisticsChannel {
  id: string
  name: string
  films: StatisticsFilm[]
}

/** What films are about: words for titles, and how much better or worse than usual they do. */
const SUBJECTS = [
  { names: ['Lighthouse', 'Fresnel Lens', 'Lighthouse Keeper'], gain: 2.4 },
  { names: ['Tide', 'Spring Tide', 'Tidal Bore'], gain: 1.7 },
  { names: ['Canal Lock', 'Canal', 'Boat Lift'], gain: 1.3 },
  { names: ['Shipwreck', 'Wreck', 'Salvage'], gain: 3.1 },
  { names: ['Harbour Crane', 'Crane', 'Container'], gain: 0.7 },
  { names: ['Fog', 'Foghorn', 'Sea Fog'], gain: 1.1 },
  { names: ['Rope', 'Knot', 'Ropewalk'], gain: 0.9 },
  { names: ['Salt', 'Salt Marsh', 'Salt Pan'], gain: 0.6 },
  { names: ['Bridge', 'Swing Bridge', 'Drawbridge'], gain: 1.5 },
  { names: ['Elevator', 'Escalator', 'Lift'], gain: 1.2 },
  { names: ['Umbrella', 'Raincoat', 'Zipper'], gain: 0.8 },
  { names: ['Refrigerator', 'Ice Trade', 'Ice House'], gain: 1.4 },
  { names: ['Traffic Light', 'Roundabout', 'Pedestrian Crossing'], gain: 1.0 },
  { names: ['Sewer', 'Water Tower', 'Drain'], gain: 1.9 },
  { names: ['Submarine Cable', 'Telegraph', 'Radio Mast'], gain: 1.6 },
] as const

const TITLES = [
  'How a {} Really Works',
  'Why Every {} Looks the Same',
  'The Secret of the {}',
  'What Happens Inside a {}',
  '{}: The Machine Nobody Notices',
  'Who Invented the {}?',
  'The {} That Changed Everything',
  'Why the {} Is Disappearing',
  'Life With a {}',
  'The Strange History of the {}',
  'How the {} Beat the Sea',
  'One Day at the {}',
]

/**
 * Invented channels: name, base of views, films a month, growth a month, subjects by place in the
 * list.
 */
const CHANNELS = [
  {
    id: 'harbour-light',
    name: 'Harbour Light',
    base: 5200,
    every: 8,
    growth: 0.035,
    about: [0, 1, 2, 5, 6, 7, 3],
  },
  {
    id: 'slow-machines',
    name: 'Slow Machines',
    base: 21_000,
    every: 6,
    growth: 0.01,
    about: [2, 4, 8, 9, 12, 13, 6],
  },
  {
    id: 'the-salt-line',
    name: 'The Salt Line',
    base: 8400,
    every: 10,
    growth: 0.06,
    about: [1, 3, 5, 7, 14, 0],
  },
  {
    id: 'under-the-street',
    name: 'Under the Street',
    base: 54_000,
    every: 12,
    growth: -0.02,
    about: [13, 12, 9, 8, 14],
  },
  {
    id: 'kitchen-physics-club',
    name: 'Kitchen Physics Club',
    base: 13_000,
    every: 5,
    growth: 0.02,
    about: [10, 11, 9, 6, 5],
  },
  { id: 'ebb', name: 'Ebb', base: 2600, every: 14, growth: 0.09, about: [1, 0, 5, 3, 7] },
] as const

const FILMS = 48
const DAY_MS = 86_400_000

/** A number in [0, 1) that depends on its seed alone (xorshift over a string hash). */
function chance(seed: string): number {
  let x = 2166136261
  for (const char of seed) x = Math.imul(x ^ char.charCodeAt(0), 16777619)
  x ^= x << 13
  x ^= x >>> 17
  x ^= x << 5
  return (x >>> 0) / 2 ** 32
}

/** Bell-shaped chance around 0, about ±1. */
const around = (seed: string) =>
  [1, 2, 3].reduce((sum, n) => sum + chance(`${seed}/${n}`), 0) * 2 - 3

/** The channels as they stand on a day: the same day gives the same figures. */
export function statisticsChannels(now: Date): StatisticsChannel[] {
  const today = Math.floor(now.getTime() / DAY_MS) * DAY_MS
  return CHANNELS.map(({ id, name, base, every, growth, about }) => ({
    id,
    name,
    films: Array.from({ length: FILMS }, (_, n) => {
      const seed = `${id}#${n}`
      const subject = SUBJECTS[about[Math.floor(chance(`${seed}s`) * about.length)]!]
      const ageDays = 2 + n * every + Math.floor(chance(`${seed}d`) * every * 0.6)
      const named = subject.names[Math.floor(chance(`${seed}n`) * subject.names.length)]!
      // Found in its first weeks, then slowly: views grow with about the fifth root of age.
      const grown = base * (1 + growth) ** (-ageDays / 30.44) * ageDays ** 0.2
      return {
        id: `${id}-${FILMS - n}`,
        title: TITLES[Math.floor(chance(`${seed}t`) * TITLES.length)]!.replace('{}', named),
        published: new Date(today - ageDays * DAY_MS + 17 * 3_600_000).toISOString(),
        views: Math.round(grown * subject.gain * Math.exp(0.55 * around(`${seed}v`))),
        seconds: Math.round(240 + chance(`${seed}l`) * 840),
      }
    }),
  }))
}
