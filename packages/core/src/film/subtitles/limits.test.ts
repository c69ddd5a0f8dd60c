import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PLAIN_SUBTITLE } from '../../style/plain-subtitle.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { frameOf } from '../lettering/frame.ts'
import { BOUND } from './bound-words.ts'
import { cuesFromWords, type CueWord } from './cues.ts'
import { GUIDELINE_NUMBERS } from './guidelines.ts'
import { subtitleLimits } from './limits.ts'
import { brokenLines, joined } from './lines.ts'

const limitsOf = (width: number, height: number) =>
  subtitleLimits(PLAIN_SUBTITLE, frameOf(width, height), 30, GUIDELINE_NUMBERS.common)
const WIDE = limitsOf(1920, 1080)

describe('subtitleLimits', () => {
  it('lets a line be 42 characters long (common practice) and as wide as the safe area (EBU R 95, from memory)', () => {
    for (const [width, height] of [
      [1920, 1080],
      [1080, 1080],
      [1080, 1920],
    ] as const) {
      const limits = limitsOf(width, height)
      expect(limits.charactersPerLine).toBe(42)
      expect(limits.widest).toBeLessThanOrEqual(width * 0.9)
      expect(limits.widest).toBeGreaterThan(width * 0.8)
    }
  })
  it('has no room for 42 letters on an upright picture, and some for 30', () => {
    const upright = limitsOf(1080, 1920)
    expect(upright.width('The keeper of the light went up')).toBeLessThan(upright.widest)
    expect(upright.width('m'.repeat(42))).toBeGreaterThan(upright.widest)
  })
})

describe('brokenLines', () => {
  const lines = (text: string) =>
    brokenLines(
      text.split(' ').map((word) => ({ text: word })),
      WIDE,
    ).map(joined)
  it('leaves one line where one will do', () =>
    expect(lines('The lamp burns all night.')).toHaveLength(1))
  it('breaks at the end of a phrase (BBC subtitle guidelines, from memory)', () => {
    expect(lines('The lamp was lit at dusk, and the keeper went up to bed.')).toEqual([
      'The lamp was lit at dusk,',
      'and the keeper went up to bed.',
    ])
  })
  it('parts neither article and noun, preposition and noun, nor first and last name (the same guidelines)', () => {
    for (const text of [
      'The story of the first light on the rock begins in a storm',
      'It was built for the town by the engineer Anna Westerly Brook',
      'They carried the oil up the stairs of the tower in a barrel',
    ]) {
      const [upper] = lines(text)
      expect(BOUND.has(upper!.split(' ').at(-1)!.toLowerCase())).toBe(false)
    }
    expect(lines('The drawings were made in a week by Anna Westerly')[0]).not.toMatch(/Anna$/)
  })
})

describe('cuesFromWords', () => {
  const spoken = (texts: readonly string[], pace = 0.35): CueWord[] =>
    texts.map((text, i) => ({
      text,
      start: Math.round(i * pace * SAMPLE_RATE),
      end: Math.round((i + 0.9) * pace * SAMPLE_RATE),
      endsScene: /\.$/.test(text),
    }))
  it('has no cue for no words and one for one', () => {
    expect(cuesFromWords([], WIDE)).toEqual([])
    expect(cuesFromWords(spoken(['Yes.']), WIDE)).toHaveLength(1)
  })
  it('leaves a word longer than a line whole and alone', () => {
    const word = 'a'.repeat(60)
    expect(
      cuesFromWords(spoken(['The', word, 'ends.']), WIDE).map(({ lines }) => lines.join(' ')),
    ).toContain(word)
  })
  it('shows every word once and in order, and no two cues at once, whatever is spoken', () => {
    const word = fc.constantFrom(
      'the',
      'lamp',
      'burns,',
      'night.',
      'extraordinarily',
      'a',
      'Why?',
      'of',
    )
    fc.assert(
      fc.property(
        fc.array(word, { maxLength: 90 }),
        fc.double({ min: 0.15, max: 0.9, noNaN: true }),
        (words, pace) => {
          const cues = cuesFromWords(spoken(words, pace), WIDE)
          expect(cues.flatMap(({ lines }) => lines).join(' ')).toBe(words.join(' '))
          cues.slice(1).forEach((cue, i) => expect(cue.start).toBeGreaterThanOrEqual(cues[i]!.end))
          for (const { lines } of cues) expect(lines.length).toBeLessThanOrEqual(2)
        },
      ),
      { numRuns: 60 },
    )
  })
})
