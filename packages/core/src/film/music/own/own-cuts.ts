import { SAMPLE_RATE } from '../../../time/time.ts'
import { unlike } from './bars.ts'
import type { HeardMusic } from './heard-music.ts'

/** A stretch of music at its place, samples of both. */
export interface OwnCut {
  /** Where in the music, and how long. */
  from: number
  length: number
  /** From the beginning of the stretch of film it is for. */
  at: number
  /** Samples it comes and goes in. */
  fades: readonly [rise: number, fall: number]
}

/** Samples over which one stretch gives way to the next at a bar line. */
const JOIN = Math.round(0.02 * SAMPLE_RATE)
/** Where there is no bar line to cut at. */
const SLOW_JOIN = 3 * SAMPLE_RATE
/** The music leaves by a fade where its ending cannot be reached. */
const LEAVE = 4 * SAMPLE_RATE
/** Ways on that are looked at after each bar, beside the one as it is written. */
const WAYS = 8
/** A leap costs so much beside what is heard of it, and more where it leaves a phrase. */
const LEAP = 0.15
const OFF_PHRASE = 0.4
const PHRASE = 4
/** Inside a phrase a leap between bars less alike than this is heard as a mistake. */
const MOST_UNLIKE = 1.1
/** A bar less is hardly missed; a worse leap is. */
const BAR_LESS = 0.3
const MOST_BARS_LESS = 3

interface Way {
  to: number
  cost: number
  isLeap: boolean
}

/** Place of each bar in its phrase, counted from its section's beginning. */
function phrasePlaces({ sections, likeness }: HeardMusic): number[] {
  let start = 0
  const begins = new Set(sections)
  return likeness.map((_, bar) => {
    if (begins.has(bar)) start = bar
    return (bar - start) % PHRASE
  })
}

/**
 * Where the music can go on after each bar: to the bar that is written next, or to one that sounds
 * like it, coming from one that sounds like this.
 */
function waysOn(music: HeardMusic): Way[][] {
  const bars = music.likeness.map((one) => Float32Array.from(one))
  const places = phrasePlaces(music)
  return bars.map((bar, i) => {
    const next = bars[i + 1]
    if (!next) return []
    const leaps = bars.flatMap((other, j): Way[] => {
      const before = bars[j - 1]
      if (j === i + 1 || !before) return []
      const heard = unlike(next, other) + 0.5 * unlike(bar, before)
      // From phrase to phrase music may go anywhere.
      const isPhrase = places[j] === 0 && places[i + 1] === 0
      if (!isPhrase && heard > MOST_UNLIKE) return []
      return [{ to: j, isLeap: true, cost: LEAP + heard + (isPhrase ? 0 : OFF_PHRASE) }]
    })
    const best = leaps.sort((a, b) => a.cost - b.cost).slice(0, WAYS)
    return [{ to: i + 1, cost: 0, isLeap: false }, ...best]
  })
}

/**
 * The bars that are played, one after another, from the first to the last: so many that their
 * lengths come nearest to a length without going over it.
 *
 * @returns undefined where no way leads there
 */
function playedBars(music: HeardMusic, wanted: number): number[] | undefined {
  const count = music.likeness.length
  const ways = waysOn(music)
  const lengths = music.likeness.map((_, bar) => music.bars[bar + 1]! - music.bars[bar]!)
  const usual = (music.bars.at(-2)! - music.bars[0]!) / Math.max(1, count - 1)
  const lead = music.bars[0]!
  const last = lengths.at(-1)!
  // The last bar rings on; all others are as long as bars are.
  const most = 1 + Math.floor((wanted - lead - last) / usual + 0.02)
  if (most < 1) return undefined
  // A state is a bar and how many were played since the last leap, up to a phrase.
  const states = count * PHRASE
  const steps: { cost: Float64Array; from: Int32Array }[] = []
  let cost = new Float64Array(states).fill(Infinity)
  cost[PHRASE - 1] = 0
  steps.push({ cost, from: new Int32Array(states).fill(-1) })
  for (let step = 1; step < most; step++) {
    const reached = new Float64Array(states).fill(Infinity)
    const from = new Int32Array(states).fill(-1)
    for (let state = 0; state < states; state++) {
      if (cost[state] === Infinity) continue
      const age = state % PHRASE
      for (const way of ways[(state - age) / PHRASE]!) {
        if (way.isLeap && age < PHRASE - 1) continue
        const next = way.to * PHRASE + (way.isLeap ? 0 : Math.min(PHRASE - 1, age + 1))
        const sum = cost[state]! + way.cost
        if (sum < reached[next]!) {
          reached[next] = sum
          from[next] = state
        }
      }
    }
    steps.push({ cost: reached, from })
    cost = reached
  }
  const lasts = Array.from({ length: PHRASE }, (_, age) => (count - 1) * PHRASE + age)
  const ends = Array.from({ length: MOST_BARS_LESS + 1 }, (_, less) => most - 1 - less)
    .flatMap((at, less) =>
      lasts.map((state) => ({
        at,
        state,
        total: (steps[at]?.cost[state] ?? Infinity) + less * BAR_LESS,
      })),
    )
    .filter(({ total }) => total < Infinity)
  const [end] = ends.sort((a, b) => a.total - b.total)
  if (!end) return undefined
  const played = [end.state]
  for (let step = end.at; step > 0; step--) played.push(steps[step]!.from[played.at(-1)!]!)
  return played.reverse().map((state) => Math.floor(state / PHRASE))
}

/** Stretches that are played without a leap, as they lie in the music and in the film. */
function joined(music: HeardMusic, played: readonly number[]): OwnCut[] {
  const runs: { from: number; to: number }[] = []
  for (const bar of played) {
    const [from, to] = [music.bars[bar]!, music.bars[bar + 1]!]
    const last = runs.at(-1)
    if (last && last.to === from) last.to = to
    else runs.push({ from, to })
  }
  // What comes before the first bar, a pick-up, is part of it.
  if (runs[0]) runs[0].from = 0
  return abutting(runs, JOIN)
}

/** One after another, each given way to by the next over so many samples around its end. */
function abutting(runs: readonly { from: number; to: number }[], join: number): OwnCut[] {
  let at = 0
  return runs.map(({ from, to }, i) => {
    const [rise, fall] = [i > 0 ? join : 0, i < runs.length - 1 ? join : 0]
    const early = Math.min(rise / 2, from)
    const cut = { from: from - early, length: to - from + early + fall / 2, at: at - early }
    at += to - from
    return { ...cut, fades: [rise, fall] as const }
  })
}

/** Music without bars: round and round, each round given way to slowly, the ending at the end. */
function unbarred(samples: number, wanted: number): OwnCut[] {
  if (wanted >= samples) {
    const body = Math.max(SLOW_JOIN, samples - SLOW_JOIN)
    const rounds = Math.max(0, Math.floor((wanted - samples) / body))
    const runs = [...Array.from({ length: rounds }, () => ({ from: 0, to: body }))]
    return abutting([...runs, { from: 0, to: samples }].map(laterRounds), SLOW_JOIN)
  }
  if (wanted < 4 * SLOW_JOIN) return [leaving(wanted)]
  const half = Math.round(wanted / 2)
  return abutting(
    [
      { from: 0, to: half },
      { from: samples - (wanted - half), to: samples },
    ],
    SLOW_JOIN,
  )
}

/** A later round has something before it to come in over. */
const laterRounds = (run: { from: number; to: number }, i: number) =>
  i ? { ...run, from: Math.min(SLOW_JOIN / 2, run.to / 2) } : run

/** From the beginning on, with a fade where it must stop. */
const leaving = (wanted: number): OwnCut => ({
  from: 0,
  length: wanted,
  at: 0,
  fades: [0, Math.min(LEAVE, wanted / 2)],
})

/**
 * Music made as long as it is asked to be: cut and gone round at bar lines where what follows sounds
 * like what is written there, its own ending kept; by slow joins where no bar will do; by a fade
 * where it cannot end in so short a time. Of a long film a third of a second's work.
 *
 * @param wanted samples of film
 * @param endsFilm it ends with the film, and comes in a little later for that
 * @returns in order, one at least; none reaches beyond `wanted` by more than a join
 */
export function ownCuts(music: HeardMusic, wanted: number, endsFilm = false): OwnCut[] {
  const played = music.bars.length ? playedBars(music, wanted) : undefined
  const cuts = played ? joined(music, played) : unbarred(music.samples, wanted)
  const last = cuts.at(-1)
  const late = endsFilm && last ? Math.max(0, wanted - last.at - last.length) : 0
  return cuts.map((cut) => ({ ...cut, at: cut.at + late }))
}

/** Where the bars of cut music begin, counted as the cuts are. */
export const cutBars = ({ bars }: HeardMusic, cuts: readonly OwnCut[]): number[] =>
  cuts.flatMap((cut) =>
    bars
      .slice(0, -1)
      .filter((bar) => bar >= cut.from && bar < cut.from + cut.length - cut.fades[1])
      .map((bar) => cut.at + bar - cut.from),
  )
