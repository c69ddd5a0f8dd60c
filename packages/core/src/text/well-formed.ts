/**
 * Text that every store and every encoder takes: no NUL, and no half of a surrogate pair, as is
 * left where a text was cut in the midst of an emoji (Unicode 15, 3.9, D76–D79; ECMA-262
 * `String.prototype.isWellFormed`).
 */

const holdsOnlyCharacters = (text: string) => text.isWellFormed() && !text.includes('\u0000')

const mended = (text: string) =>
  holdsOnlyCharacters(text) ? text : text.replaceAll('\u0000', '').toWellFormed()

/**
 * Where in a value from outside a text holds what is no character.
 *
 * @returns the path of its field, `''` for the value itself; undefined where all is well
 * @example illFormedAt({ scenes: [{ text: 'a\u0000' }] }) // => 'scenes.0.text'
 */
export function illFormedAt(value: unknown, path = ''): string | undefined {
  if (typeof value === 'string') return holdsOnlyCharacters(value) ? undefined : path
  if (typeof value !== 'object' || value === null) return undefined
  for (const [name, inside] of Object.entries(value)) {
    const below = path ? `${path}.${name}` : name
    const found = holdsOnlyCharacters(name) ? illFormedAt(inside, below) : below
    if (found !== undefined) return found
  }
  return undefined
}

/** The same value with its texts mended: halves of pairs as U+FFFD, NULs out. */
export function wellFormed<Value>(value: Value): Value {
  return illFormedAt(value) === undefined ? value : (mendedValue(value) as Value)
}

function mendedValue(value: unknown): unknown {
  if (typeof value === 'string') return mended(value)
  if (Array.isArray(value)) return value.map(mendedValue)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([name, inside]) => [mended(name), mendedValue(inside)]),
  )
}

/**
 * The beginning of a text, never ending in half a character.
 *
 * @param most UTF-16 units, as limits of lengths count them
 * @example cutText('ab🌊', 3) // => 'ab'
 */
export function cutText(text: string, most: number): string {
  const end = text.codePointAt(most - 1)
  const splits = end !== undefined && end > 0xffff
  return text.slice(0, splits ? most - 1 : most)
}
