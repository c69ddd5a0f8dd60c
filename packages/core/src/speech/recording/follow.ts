import { itemAt } from '../../faults/certain.ts'

/** A word as a recogniser heard it, in seconds. */
export interface HeardWord {
  text: string
  start: number
  end: number
  /** A pause lies before it. */
  afterPause: boolean
}

/**
 * What a step through the script costs, by trial on readings with slips: a jump must be worth a few
 * words.
 */
const COST = {
  wrong: 1,
  alike: 0.4,
  extra: 0.7,
  skipped: 0.55,
  jump: 3,
  jumpAfterPause: 1.3,
  late: 1,
}
/** Words in a row that may be left out before it counts as a jump. */
const MOST_SKIPPED = 6

/**
 * Follows a reading through its script: which script word each heard word is.
 *
 * The reader goes on word by word, leaves words out, says others, and goes back to begin again:
 * each has its cost, and the cheapest way through is found for the whole reading at once (dynamic
 * programming over heard × script words).
 *
 * @returns for each heard word its index in `script`, -1 for a word that is not in it
 */
export function followed(heard: readonly HeardWord[], script: readonly string[]): number[] {
  const [n, m] = [heard.length, script.length]
  if (n === 0 || m === 0) return heard.map(() => -1)
  let costs = new Float32Array(m).fill(Infinity)
  /**
   * For each heard word and place: where the word before it stood; `m` for a jump from the best
   * place, own place + m + 1 for a word too many.
   */
  const from = Array.from({ length: n }, () => new Int32Array(m))
  const bestPlace = new Int32Array(n)
  heard.forEach((word, t) => {
    const next = new Float32Array(m)
    const before = t > 0 ? bestPlace[t - 1]! : -1
    const jump = t > 0 ? costs[before]! + (word.afterPause ? COST.jumpAfterPause : COST.jump) : 0
    const origins = itemAt(from, t)
    script.forEach((written, j) => {
      const said = wordCost(word.text, written)
      let least = jump + said + (t === 0 && j > 0 ? COST.late : 0)
      let origin = m
      if (t > 0) {
        for (let skipped = 0; skipped <= MOST_SKIPPED && j - 1 - skipped >= 0; skipped++) {
          const cost = costs[j - 1 - skipped]! + said + skipped * COST.skipped
          if (cost < least) {
            least = cost
            origin = j - 1 - skipped
          }
        }
        const extra = costs[j]! + COST.extra
        if (extra < least) {
          least = extra
          origin = m + 1 + j
        }
      }
      next[j] = least
      origins[j] = origin
    })
    costs = next
    let best = 0
    for (let j = 1; j < m; j++) if (costs[j]! < costs[best]!) best = j
    bestPlace[t] = best
  })
  const places: number[] = new Array<number>(n)
  let at = bestPlace[n - 1]!
  for (let t = n - 1; t >= 0; t--) {
    const origin = itemAt(from, t)[at]!
    places[t] =
      origin > m || wordCost(itemAt(heard, t).text, itemAt(script, at)) >= COST.wrong ? -1 : at
    if (origin === m) at = t > 0 ? bestPlace[t - 1]! : at
    else if (origin < m) at = origin
  }
  return places
}

function wordCost(heard: string, written: string): number {
  if (heard === written) return 0
  return alike(heard, written) ? COST.alike : COST.wrong
}

/**
 * Words of which one is the start of the other, or that differ by a letter: the ends of words are
 * heard badly.
 */
function alike(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 2 || Math.min(a.length, b.length) < 3) return false
  if (a.startsWith(b) || b.startsWith(a)) return true
  if (a.length !== b.length) return false
  let differences = 0
  for (let i = 0; i < a.length && differences < 2; i++) if (a[i] !== b[i]) differences++
  return differences < 2
}
