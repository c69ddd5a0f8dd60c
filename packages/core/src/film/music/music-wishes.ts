import equal from 'fast-deep-equal'
import type { Film } from '../../document/film-scenes.ts'
import { itemAt } from '../../faults/certain.ts'
import { stretchEnd, type Timeline } from '../../timeline/timeline.ts'
import { type AskedMusic, readMusic } from './asked-music.ts'

/** A direction of the script that says what is played, and what it stands for. */
export interface Wish {
  from: number
  /** Exclusive. */
  to: number
  sceneId: string
  index: number
  asked: AskedMusic
}

/** A stretch of a film with the same of something from end to end; samples. */
export interface Run<Value> {
  from: number
  to: number
  value: Value
}

/** Lays a value over a stretch of runs that follow each other. */
export function painted<Value>(runs: readonly Run<Value>[], one: Run<Value>): Run<Value>[] {
  if (one.to <= one.from) return [...runs]
  return [
    ...runs.flatMap((run) =>
      run.from < one.from ? [{ ...run, to: Math.min(run.to, one.from) }] : [],
    ),
    one,
    ...runs.flatMap((run) =>
      run.to > one.to ? [{ ...run, from: Math.max(run.from, one.to) }] : [],
    ),
  ].filter(({ from, to }) => to > from)
}

/** Runs that say the same one after another are one. */
export function merged<Value>(runs: readonly Run<Value>[]): Run<Value>[] {
  const found: Run<Value>[] = []
  for (const run of runs) {
    const last = found.at(-1)
    if (last && equal(last.value, run.value)) last.to = run.to
    else found.push({ ...run })
  }
  return found
}

/** A script may ask for music so often; what it says after that is not heard. */
const MOST_WISHES = 500

/** What a script says of its music, in order. */
export function wishesOf(timeline: Timeline, film: Pick<Film, 'scenes'>): Wish[] {
  const wishes = timeline.scenes.flatMap((scene, n) => {
    const { directions, before } = itemAt(film.scenes, n)
    let index = -1
    return directions.flatMap((direction, d): Wish[] => {
      if (direction.kind !== 'music') return []
      index++
      const asked = readMusic(direction.text)
      const word = before?.[d] ?? 0
      const from = word > 0 ? (scene.words[word]?.start ?? scene.speechEnd) : scene.startSample
      const to = stretchEnd(timeline, scene, asked.lasts ?? 'chapter')
      return [{ from, to, sceneId: scene.id, index, asked }]
    })
  })
  return wishes.slice(0, MOST_WISHES)
}

/**
 * How much nearer to the voice the music lies than it does in the film, by what the script says.
 *
 * @returns from end to end, in decibels
 */
export function musicLevels(timeline: Timeline, film: Pick<Film, 'scenes'>): Run<number>[] {
  let runs: Run<number>[] = [{ from: 0, to: timeline.samples, value: 0 }]
  for (const { from, to, asked } of wishesOf(timeline, film))
    if (asked.db !== undefined) runs = painted(runs, { from, to, value: asked.db })
  return merged(runs)
}
