import { itemAt } from '../faults/certain.ts'
import type { SpokenForm } from '../text/spoken-form.ts'

/** A stretch of time, in any unit, `[start, end)`. */
export type Span = [start: number, end: number]

/** A word as an engine tells of it. */
interface Told {
  text: string
  start: number
  end: number
}

const lettersOf = (text: string) =>
  [...text.toLowerCase().normalize('NFKD')].filter((letter) => /[\p{L}\p{N}]/u.test(letter))

/**
 * Where each spoken word is, from what an engine tells, which may part or join words and leave some
 * out.
 *
 * Words are held together by their letters; one that the engine did not tell of lies between its
 * neighbours.
 *
 * @param words as they were given to the engine
 * @param told  in order
 * @returns one a word, in order, none before the end of the one before it
 */
export function spansOf(words: readonly string[], told: readonly Told[]): Span[] {
  const given = words.flatMap((word, owner) => lettersOf(word).map((letter) => ({ letter, owner })))
  const heard = told.flatMap(({ text, start, end }) => {
    const letters = lettersOf(text)
    return letters.map((letter, i) => ({
      letter,
      from: start + ((end - start) * i) / letters.length,
      to: start + ((end - start) * (i + 1)) / letters.length,
    }))
  })
  const spans: (Span | undefined)[] = words.map(() => undefined)
  for (const [g, h] of matched(
    given.map(({ letter }) => letter),
    heard.map(({ letter }) => letter),
  )) {
    const { owner } = itemAt(given, g)
    const span = (spans[owner] ??= [itemAt(heard, h).from, itemAt(heard, h).to])
    span[1] = itemAt(heard, h).to
  }
  return filled(spans, told[0]?.start ?? 0, told.at(-1)?.end ?? 0)
}

/** The spans of the written words from those of the spoken ones. */
export function writtenSpans(
  form: SpokenForm,
  spoken: readonly Span[],
  writtenWords: number,
): Span[] {
  const spans: (Span | undefined)[] = Array.from({ length: writtenWords })
  form.words.forEach(({ written }, i) => {
    const [start, end] = itemAt(spoken, i)
    const span = (spans[written] ??= [start, end])
    span[1] = end
  })
  return filled(spans, spoken[0]?.[0] ?? 0, spoken.at(-1)?.[1] ?? 0)
}

/** Words without a span share the room between their neighbours. */
function filled(spans: readonly (Span | undefined)[], first: number, last: number): Span[] {
  const out: Span[] = []
  for (let i = 0; i < spans.length;) {
    const span = spans[i]
    if (span) {
      const start = Math.max(span[0], out.at(-1)?.[1] ?? span[0])
      out.push([start, Math.max(start, span[1])])
      i++
      continue
    }
    let end = i
    while (end < spans.length && !spans[end]) end++
    const from = out.at(-1)?.[1] ?? Math.min(first, spans[end]?.[0] ?? first)
    const to = Math.max(from, spans[end]?.[0] ?? last)
    for (let k = i; k < end; k++)
      out.push([
        from + ((to - from) * (k - i)) / (end - i),
        from + ((to - from) * (k - i + 1)) / (end - i),
      ])
    i = end
  }
  return out
}

/**
 * Pairs of equal letters in order: the same texts at once, others by their longest common
 * subsequence, in which letters side by side count more.
 */
function matched(a: readonly string[], b: readonly string[]): [number, number][] {
  if (a.length === b.length && a.every((letter, i) => letter === b[i]))
    return a.map((_, i) => [i, i])
  const width = b.length + 1
  const best = new Uint16Array((a.length + 1) * width)
  const worth = (i: number, k: number) =>
    a[i] === b[k]
      ? (i + 1 < a.length && a[i + 1] === b[k + 1] ? 3 : 2) + best[(i + 1) * width + k + 1]!
      : 0
  for (let i = a.length - 1; i >= 0; i--) {
    for (let k = b.length - 1; k >= 0; k--) {
      best[i * width + k] = Math.max(
        worth(i, k),
        best[(i + 1) * width + k]!,
        best[i * width + k + 1]!,
      )
    }
  }
  const pairs: [number, number][] = []
  for (let i = 0, k = 0; i < a.length && k < b.length;) {
    const here = best[i * width + k]!
    if (a[i] === b[k] && worth(i, k) === here) pairs.push([i++, k++])
    else if (best[(i + 1) * width + k]! === here) i++
    else k++
  }
  return pairs
}
