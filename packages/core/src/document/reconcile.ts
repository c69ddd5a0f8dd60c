import { itemAt } from '../faults/certain.ts'
import type { ScriptScene } from '../script/parse.ts'
import type { Scene } from './document.ts'

/**
 * Gives the scenes of a changed script the identity and pictures of the scenes they were.
 *
 * Scenes whose narration is unchanged keep everything, in order; of the rest between two such,
 * those sharing half of their words are taken for the same scene with an edit. The others are new.
 *
 * @param parsed scenes the script has now
 * @param before scenes the document had
 * @param nextId number for the first new scene
 */
export function reconcile(
  parsed: readonly ScriptScene[],
  before: readonly Scene[],
  nextId: number,
) {
  const owner = sameText(parsed, before)
  pairEdited(parsed, before, owner)
  let next = nextId
  const scenes = parsed.map(({ text }, i): Scene => {
    const old = owner[i] === undefined ? undefined : before[owner[i]]
    return old ? { ...old, text } : { id: `s${next++}`, text, shots: [] }
  })
  return { scenes, nextId: next }
}

/** Longest common run of unchanged narrations; `owner[i]` is the old index of new scene `i`. */
function sameText(
  parsed: readonly ScriptScene[],
  before: readonly Scene[],
): (number | undefined)[] {
  const owner = new Array<number | undefined>(parsed.length).fill(undefined)
  let head = 0
  while (
    head < parsed.length &&
    head < before.length &&
    itemAt(parsed, head).text === itemAt(before, head).text
  )
    owner[head] = head++
  let newEnd = parsed.length
  let oldEnd = before.length
  while (
    newEnd > head &&
    oldEnd > head &&
    itemAt(parsed, newEnd - 1).text === itemAt(before, oldEnd - 1).text
  )
    owner[--newEnd] = --oldEnd
  const rows = newEnd - head
  const columns = oldEnd - head
  const length = Array.from({ length: rows + 1 }, () => new Uint16Array(columns + 1))
  const common = (i: number, j: number) => itemAt(length, i)[j] ?? 0
  for (let i = rows - 1; i >= 0; i--)
    for (let j = columns - 1; j >= 0; j--)
      itemAt(length, i)[j] =
        itemAt(parsed, head + i).text === itemAt(before, head + j).text
          ? common(i + 1, j + 1) + 1
          : Math.max(common(i + 1, j), common(i, j + 1))
  for (let i = 0, j = 0; i < rows && j < columns;) {
    if (itemAt(parsed, head + i).text === itemAt(before, head + j).text)
      owner[head + i++] = head + j++
    else if (common(i + 1, j) >= common(i, j + 1)) i++
    else j++
  }
  return owner
}

function pairEdited(
  parsed: readonly ScriptScene[],
  before: readonly Scene[],
  owner: (number | undefined)[],
) {
  let firstFree = 0
  for (let i = 0; i < parsed.length; i++) {
    const mine = owner[i]
    if (mine !== undefined) {
      firstFree = mine + 1
      continue
    }
    const fence = owner.slice(i).find((old) => old !== undefined) ?? before.length
    for (let j = firstFree; j < fence; j++) {
      if (sharedWords(itemAt(parsed, i).text, itemAt(before, j).text) < 0.5) continue
      owner[i] = j
      firstFree = j + 1
      break
    }
  }
}

/** Share of words two texts have in common, 0 to 1. */
export function sharedWords(a: string, b: string): number {
  const words = (text: string) => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [])
  const [left, right] = [words(a), words(b)]
  const shared = [...left].filter((word) => right.has(word)).length
  return (
    shared / Math.max(1, Math.min(left.size, right.size), Math.max(left.size, right.size) * 0.7)
  )
}
