import { itemAt } from '../../faults/certain.ts'
/** A stretch of a recording that is not speech, in seconds. */
export interface Noise {
  kind: 'breath' | 'filler'
  from: number
  to: number
}

/**
 * Breaths are shorter and longer than this (seconds), and so much below the voice (dB), yet above
 * its silence.
 */
const BREATH = { shortest: 0.1, longest: 0.9, below: [9, 38] as const }
const WINDOW = 0.02
/** Words end a little after the recogniser says so. */
const CLEAR = 0.04

/**
 * Breaths between the words of a reading: sound too weak for speech and too strong for silence.
 *
 * @param pcm   mono, 1 = full scale
 * @param words in order, in seconds
 */
export function breathsBetween(
  pcm: Float32Array,
  rate: number,
  words: readonly { start: number; end: number }[],
): Noise[] {
  const size = Math.round(WINDOW * rate)
  const db = (from: number) => {
    let sum = 0
    for (let i = from; i < Math.min(pcm.length, from + size); i++) sum += pcm[i]! * pcm[i]!
    return 10 * Math.log10(sum / size + 1e-12)
  }
  const spoken: number[] = []
  for (const { start, end } of words)
    for (let at = Math.round(start * rate); at + size <= end * rate; at += size) spoken.push(db(at))
  if (!spoken.length) return []
  const voice = itemAt(
    spoken.sort((a, b) => a - b),
    Math.floor(spoken.length * 0.7),
  )
  return words.slice(1).flatMap(({ start }, i) => {
    const found: Noise[] = []
    let from = -1
    const last = Math.round((start - CLEAR) * rate)
    for (let at = Math.round((itemAt(words, i).end + CLEAR) * rate); at <= last; at += size) {
      const below = voice - db(at)
      const breath = at + size <= last && below >= BREATH.below[0] && below <= BREATH.below[1]
      if (breath && from < 0) from = at
      if (!breath && from >= 0) {
        const seconds = (at - from) / rate
        if (seconds >= BREATH.shortest && seconds <= BREATH.longest)
          found.push({ kind: 'breath', from: from / rate, to: at / rate })
        from = -1
      }
    }
    return found
  })
}
