import { itemAt, lastOf } from '../faults/certain.ts'
import { TidyError } from '../faults/fault.ts'
import { gradeAnew, gradeOfPlace, isPlain } from '../pictures/grade/grade.ts'
import { chosenItem } from '../pictures/item.ts'
import { wordsOf } from '../text/written-words.ts'
import type { CommandOf } from './command.ts'
import { type Scene, type Shot, SHOTS_LIMIT } from './document.ts'

/**
 * The word each shot begins at, as far as it can be told without a voice: where none is set, an
 * even share.
 */
const beginnings = (shots: readonly Shot[], words: number) =>
  shots.map(({ word }, i) => (i === 0 ? 0 : (word ?? Math.round((words * i) / shots.length))))

/** A shot that begins at another word: the first of a scene has none. */
function beginningAt(shot: Shot, word: number | undefined): Shot {
  const { word: _, ...rest } = shot
  return word && word > 0 ? { ...rest, word } : rest
}

/**
 * Shots as a scene may have them: the first without a word, the others in the order of their words,
 * no more than fit.
 */
export function orderly(shots: readonly Shot[], words: number): Shot[] {
  let last = 0
  return shots.slice(0, SHOTS_LIMIT).map((shot, i) => {
    if (shot.word === undefined) return shot
    if (i === 0 || shot.word <= last || shot.word >= words) return beginningAt(shot, undefined)
    last = shot.word
    return shot
  })
}

/**
 * The pictures of both halves of a scene parted before a word; the one that is seen there goes on
 * in the second.
 */
export function partedShots(shots: readonly Shot[], words: number, at: number): [Shot[], Shot[]] {
  const begins = beginnings(shots, words)
  const first = shots.filter((_, i) => itemAt(begins, i) < at)
  const rest = shots.flatMap((shot, i) =>
    itemAt(begins, i) >= at
      ? [beginningAt(shot, shot.word === undefined ? undefined : shot.word - at)]
      : [],
  )
  const goesOn = first.length > 0 && begins[first.length] !== at
  return [first, goesOn ? [beginningAt(lastOf(first), undefined), ...rest] : rest]
}

/**
 * The pictures of two scenes made one: each stays with its words; one that both show is seen once.
 */
export function joinedShots(
  first: readonly Shot[],
  firstWords: number,
  second: readonly Shot[],
  secondWords: number,
): Shot[] {
  if (!first.length || !second.length)
    return orderly(first.length ? first : second, firstWords + secondWords)
  const same = lastOf(first).item?.id === itemAt(second, 0).item?.id
  const begins = beginnings(second, secondWords)
  const moved = second
    .map((shot, i) => beginningAt(shot, itemAt(begins, i) + firstWords))
    .slice(same ? 1 : 0)
  const pinned = beginnings(first, firstWords)
  return orderly(
    [...first.map((shot, i) => beginningAt(shot, pinned[i])), ...moved],
    firstWords + secondWords,
  )
}

/** Cuts stay on the words they were on where those are still said. */
export function shotsAfterEdit(shots: readonly Shot[], before: string, after: string): Shot[] {
  const [old, now] = [wordsOf(before), wordsOf(after)]
  let head = 0
  while (head < Math.min(old.length, now.length) && old[head] === now[head]) head++
  return orderly(
    shots.map((shot) =>
      shot.word === undefined || shot.word <= head
        ? shot
        : beginningAt(shot, Math.max(head, shot.word + now.length - old.length)),
    ),
    now.length,
  )
}

/** Whether the picture of the scene before is to go on over a scene. */
export const isHeld = ({ begins }: Pick<Scene, 'begins'>) => begins?.how === 'hold'

/** A scene over which no picture goes on any more: it was given one of its own. */
export function unheld(scene: Scene): Scene {
  if (!isHeld(scene)) return scene
  const { begins: _, ...own } = scene
  return own
}

const settled = (scene: Scene, shots: readonly Shot[]): Scene => ({
  ...scene,
  shots: orderly(shots, wordsOf(scene.text).length),
})

/** @throws TidyError `shot_not_found` for a shot the scene has not */
function shotOf(scene: Scene, index: number): Shot {
  const shot = scene.shots[index]
  if (!shot) throw new TidyError('shot_not_found', { shot: index })
  return shot
}

/**
 * @throws TidyError `shot_not_found` for an index beyond the pictures of the scene
 */
export function withShot(scene: Scene, index: number, item: Shot['item']): Scene {
  if (index > scene.shots.length) throw new TidyError('shot_not_found', { shot: index })
  // A new picture keeps its place, its look, its transition and what stands beside it; how the one
  // before was framed and corrected has nothing to do with it.
  const { word, transition, layout, grade } = scene.shots[index] ?? {}
  const look = gradeOfPlace(grade ?? {})
  const shot: Shot = {
    item: chosenItem(item),
    by: 'hand',
    ...(word === undefined ? {} : { word }),
    ...(transition ? { transition } : {}),
    ...(layout ? { layout } : {}),
    ...(isPlain(look) ? {} : { grade: look }),
  }
  return settled(
    index === 0 ? unheld(scene) : scene,
    scene.shots.length > index ? scene.shots.with(index, shot) : [...scene.shots, shot],
  )
}

/**
 * @throws TidyError `shots_too_many` beyond `SHOTS_LIMIT`, `shot_not_found` for a place beyond the
 *   pictures of the scene
 */
export function withAddedShot(scene: Scene, { shot, item, word }: CommandOf<'addShot'>): Scene {
  if (scene.shots.length >= SHOTS_LIMIT)
    throw new TidyError('shots_too_many', { limit: SHOTS_LIMIT })
  if (shot > scene.shots.length) throw new TidyError('shot_not_found', { shot })
  return settled(
    shot === 0 ? unheld(scene) : scene,
    scene.shots.toSpliced(shot, 0, {
      item: chosenItem(item),
      by: 'hand',
      ...(word === undefined ? {} : { word }),
    }),
  )
}

/**
 * @throws TidyError `shot_not_found` for an index beyond the pictures of the scene
 */
export function withoutShot(scene: Scene, shot: number): Scene {
  shotOf(scene, shot)
  return settled(shot === 0 ? unheld(scene) : scene, scene.shots.toSpliced(shot, 1))
}

/**
 * @throws TidyError `shot_not_found` for an index beyond the pictures of the scene
 */
export function withMovedShot(scene: Scene, { from, to }: CommandOf<'moveShot'>): Scene {
  const moved = shotOf(scene, from)
  shotOf(scene, to)
  const order = scene.shots.toSpliced(from, 1).toSpliced(to, 0, moved)
  return settled(
    scene,
    order.map((shot, i) => beginningAt(shot, itemAt(scene.shots, i).word)),
  )
}

/**
 * @throws TidyError `cut_not_possible` when the word is no place between the cuts before and after
 */
export function withCut(scene: Scene, { shot, word }: CommandOf<'setCut'>): Scene {
  const cut = beginningAt(shotOf(scene, shot), word ?? undefined)
  const pinned = (shots: readonly Shot[]) => shots.flatMap((s) => s.word ?? [])
  const earliest = (pinned(scene.shots.slice(0, shot)).at(-1) ?? 0) + 1
  const latest = (pinned(scene.shots.slice(shot + 1))[0] ?? wordsOf(scene.text).length) - 1
  if (word !== null && (shot === 0 || word < earliest || word > latest))
    throw new TidyError('cut_not_possible', { word: word + 1 })
  return { ...scene, shots: scene.shots.with(shot, cut) }
}

/** What says nothing of a still. */
const OF_CLIPS = new Set(['slip', 'speed', 'heard'])

/** Puts settings on a shot; null takes one off. */
export function adjustedShot(shot: Shot, set: CommandOf<'adjustShots'>['set']): Shot {
  const clip = shot.item?.kind === 'clip'
  const next: Record<string, unknown> = { ...shot }
  for (const [name, value] of Object.entries<unknown>(set)) {
    if (value === undefined || name === 'grade' || (!clip && OF_CLIPS.has(name))) continue
    if (value === null || (name === 'slip' && value === 0)) delete next[name]
    else next[name] = value
  }
  const grade = set.grade ? gradeAnew(shot.grade, set.grade) : set.grade
  if (grade && Object.keys(grade).length) next['grade'] = grade
  else if (grade !== undefined) delete next['grade']
  return next as Shot
}
