/**
 * Places where the code knows that something is there and the types do not: it is said by name, and
 * where it is wrong the program stops at the place of the mistake rather than three functions on.
 * Not for what comes from outside, nor for loops over samples and pixels, which must be quick.
 */

/** @throws RangeError when there is nothing at this place: a mistake of ours */
export function itemAt<Item>(list: readonly Item[], place: number): Item {
  const item = list[place]
  if (item === undefined) throw new RangeError(`nothing at ${place} of ${list.length}`)
  return item
}

/** @throws RangeError for an empty list: a mistake of ours */
export const lastOf = <Item>(list: readonly Item[]): Item => itemAt(list, list.length - 1)

/** @throws RangeError when the map does not have the key: a mistake of ours */
export function entryOf<Key, Value>(map: ReadonlyMap<Key, Value>, key: Key): Value {
  const value = map.get(key)
  if (value === undefined) throw new RangeError(`nothing under ${String(key)}`)
  return value
}

/** @throws RangeError when there is nothing: a mistake of ours */
export function certain<Value>(value: Value): NonNullable<Value> {
  if (value === undefined || value === null) throw new RangeError('nothing where something must be')
  return value
}
