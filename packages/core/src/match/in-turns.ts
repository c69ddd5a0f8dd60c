import { itemAt } from '../faults/certain.ts'
import type { Item } from '../pictures/item.ts'
import { withoutHours } from './hours.ts'
import { lookedUp } from './picture-index.ts'

/**
 * Items in turns: the first of each thing, then the second of each, so that a series (the same
 * thing at other hours) does not fill the front. What follows a comma in a title tells views apart,
 * not things; what is called nothing stands for itself.
 *
 * @param items best first; within a turn they stay in order
 */
export function inTurns<T extends Pick<Item, 'id' | 'title'>>(items: readonly T[]): T[] {
  const turns: T[][] = []
  const counts = new Map<string, number>()
  for (const item of items) {
    const thing = withoutHours(lookedUp(itemAt(item.title.split(','), 0))).join(' ') || item.id
    const turn = counts.get(thing) ?? 0
    counts.set(thing, turn + 1)
    ;(turns[turn] ??= []).push(item)
  }
  return turns.flat()
}
