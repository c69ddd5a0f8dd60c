import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { silences } from './silence.ts'
import { wordTimes } from './word-times.ts'

const RATE = 48_000
const second = (n: number) => Math.round(n * RATE)

describe('wordTimes', () => {
  it('ends the words before a comma where the voice pauses, and starts the next after it', () => {
    const words = wordTimes('The lamp burns, and the sea is calm.', {
      samples: second(4),
      pauses: [[second(1.5), second(1.9)]],
    })
    const burns = words.find(({ text }) => text === 'burns,')!
    const and = words.find(({ text }) => text === 'and')!
    expect(Math.abs(burns.end - second(1.5))).toBeLessThan(second(0.02))
    expect(Math.abs(and.start - second(1.9))).toBeLessThan(second(0.02))
  })
  it('takes the places its voice told, whatever the letters say', () => {
    const words: [number, number][] = [
      [0, 1000],
      [1200, 1300],
      [1300, 90_000],
    ]
    expect(wordTimes('The lighthouse burns', { samples: 100_000, pauses: [], words })).toEqual(
      ['The', 'lighthouse', 'burns'].map((text, i) => ({
        text,
        start: words[i]![0],
        end: words[i]![1],
      })),
    )
    expect(wordTimes('A lamp burns', { samples: 100_000, pauses: [], words })[1]!.text).toBe('lamp')
  })
  it('gives a long word more time than a short one', () => {
    const [the, lighthouse] = wordTimes('The lighthouse', { samples: second(2), pauses: [] })
    expect(lighthouse!.end - lighthouse!.start).toBeGreaterThan((the!.end - the!.start) * 1.5)
  })
  it('counts what is spoken: 1822 is long', () => {
    const words = wordTimes('In 1822 it', { samples: second(3), pauses: [] })
    expect(words[1]!.end - words[1]!.start).toBeGreaterThan(second(1.5))
  })
  it('keeps every word of the text, in order, without overlap, inside the take, whatever is said', () => {
    const word = fc.constantFrom(
      'lamp',
      'the',
      'burns,',
      '1,200',
      'sea.',
      'a',
      'extraordinary;',
      '海很深',
    )
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 30 }),
        fc.integer({ min: RATE, max: RATE * 20 }),
        (texts, samples) => {
          const words = wordTimes(texts.join(' '), {
            samples,
            pauses: [[Math.floor(samples / 3), Math.floor(samples / 2.5)]],
          })
          expect(words.map(({ text }) => text).join('')).toBe(texts.join(''))
          words
            .slice(1)
            .forEach(({ start }, i) => expect(start).toBeGreaterThanOrEqual(words[i]!.end))
          expect(words[0]!.start).toBeGreaterThanOrEqual(0)
          expect(words.at(-1)!.end).toBeLessThanOrEqual(samples)
        },
      ),
    )
  })
})

describe('silences', () => {
  const tone = (seconds: number, level = 0.3) =>
    Float32Array.from(
      { length: second(seconds) },
      (_, i) => level * Math.sin((2 * Math.PI * 220 * i) / RATE),
    )
  const join = (...parts: Float32Array[]) => Float32Array.from(parts.flatMap((part) => [...part]))
  it('finds a pause to a hundredth of a second', () => {
    const found = silences(join(tone(0.5), new Float32Array(second(0.3)), tone(0.5)), RATE)
    expect(found).toHaveLength(1)
    expect(found[0]![0] / RATE).toBeCloseTo(0.5, 1)
    expect(found[0]![1] / RATE).toBeCloseTo(0.8, 1)
  })
  it('finds the same pauses in a quiet voice as in a loud one', () => {
    const at = (level: number) =>
      silences(join(tone(0.5, level), new Float32Array(second(0.3)), tone(0.5, level)), RATE)
    expect(at(0.02)).toEqual(at(0.9))
  })
  it('passes over the gap inside a word', () =>
    expect(silences(join(tone(0.3), new Float32Array(second(0.04)), tone(0.3)), RATE)).toEqual([]))
  it('finds nothing in nothing', () => expect(silences(new Float32Array(0), RATE)).toEqual([]))
})
