import { parse } from 'ass-compiler'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '../../document/apply.ts'
import type { Drawing } from '../../document/document.ts'
import { filmOf } from '../../document/film-scenes.ts'
import { splitPlace, withPlace } from '../../script/drawn-place.ts'
import { contrast, LEGIBLE } from '../../style/contrast.ts'
import { HOUSE_STYLES } from '../../style/house-styles.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { timeline } from '../../timeline/timeline.ts'
import { filmLetters } from '../film-letters.ts'
import { assDocument } from '../lettering/ass-document.ts'
import { assText, assTime } from '../lettering/ass-text.ts'
import { overlaps } from '../lettering/frame.ts'
import { filmSupers } from './supers.ts'

const planned = filmOf(
  documentFrom(
    'T',
    '# How a lighthouse throws its light across the sea\nThe lamp burns. [super: 1822] It was lit {first} in a storm.\n# Two\nIt turns 24 times [number: 24 times] an hour. Nobody [key: refraction] knew why it bends.',
  ),
)
const film = timeline(planned, [], [30, 1])
const supers = filmSupers(film, planned)

describe('a place set by hand', () => {
  const boxes = (script: string) => {
    const now = filmOf(documentFrom('T', script))
    const plan = timeline(now, [], [30, 1])
    return filmLetters(plan, now, { width: 1920, height: 1080 }).supers
  }
  it('is taken by its name, and stands in no words', () => {
    const [one] = boxes('[number: 24 km @ head right] It is far.')
    expect(one).toMatchObject({ text: '24 km', place: 'head-right' })
    expect(one!.box.x + one!.box.width).toBeCloseTo(1920 * 0.95, 0)
    expect(one!.box.y).toBeCloseTo(1080 * 0.05, 0)
  })
  it('is taken by its middle in per cent, within the safe area, and never over another', () => {
    const [one] = boxes('[number: 24 km @ 70 40] It is far.')
    expect(one!.box.x + one!.box.width / 2).toBeCloseTo(1920 * 0.7, 0)
    expect(one!.box.y + one!.box.height / 2).toBeCloseTo(1080 * 0.4, 0)
    const [corner] = boxes('[number: 24 km @ 100 0] It is far.')
    expect(corner!.box.x + corner!.box.width).toBeCloseTo(1920 * 0.95, 0)
    const [first, second] = boxes('[number: 24 km @ 50 30] [key: far @ 50 30] It is far.')
    expect(overlaps(first!.box, second!.box)).toBe(false)
  })
  it('is nothing but a place at the very end', () => {
    expect(boxes('[super: write to a @ b soon] It is far.')[0]).toMatchObject({
      text: 'write to a @ b soon',
    })
    for (const place of ['head-left', { across: 0.3, down: 0.55 }, undefined] as const)
      expect(splitPlace(withPlace('20 miles @ foot', place)).place).toEqual(place)
  })
})

describe('a voice that is drawn', () => {
  const spoken = filmOf(documentFrom('T', '[wave: bars] The lamp burns. [wave: line] It turns.'))
  const take = {
    samples: 2 * SAMPLE_RATE,
    pauses: [],
    levels: `${'0'.repeat(20)}${'9'.repeat(20)}`,
  }
  const plan = timeline(spoken, [take, take], [30, 1])
  const waves = filmLetters(plan, spoken, { width: 1920, height: 1080 }).supers
  const [first] = plan.scenes
  const seen = (n: number, sample: number) =>
    waves[n]!.marks.flatMap(({ body, start, end, blur }) =>
      body.kind === 'shape' && !blur && start <= sample && sample < end ? [body.shape] : [],
    )

  it.each([0, 1])('is low while it is silent and high while it is loud (%i)', (n) => {
    const { speechStart } = plan.scenes[n]!
    const [silent] = seen(n, speechStart + 0.5 * SAMPLE_RATE)
    const [loud] = seen(n, speechStart + 1.9 * SAMPLE_RATE)
    expect(silent!.height).toBeLessThan(loud!.height / 5)
  })
  it('is one drawing at every moment of its scene', () => {
    for (let at = waves[0]!.start; at < first!.endSample; at += 997)
      expect(seen(0, at), String(at)).toHaveLength(1)
    expect(waves[0]!.end).toBe(first!.endSample)
  })
  it('is nothing but points where nobody knows how loud the voice is', () => {
    const silent = filmLetters(timeline(spoken, [], [30, 1]), spoken, { width: 640, height: 360 })
    const heights = silent.supers[0]!.marks.flatMap(({ body, blur }) =>
      body.kind === 'shape' && !blur ? [Math.round(body.shape.height)] : [],
    )
    expect(new Set(heights).size).toBe(1)
  })
})

describe('filmSupers', () => {
  it('shows each heading in the first seconds of its chapter', () => {
    const headings = supers.filter(({ kind }) => kind === 'heading')
    expect(headings).toHaveLength(2)
    headings.forEach(({ start, end }, i) => {
      expect(start).toBeGreaterThanOrEqual(film.chapters[i]!.startSample)
      expect((end - start) / SAMPLE_RATE).toBeGreaterThan(2)
    })
  })
  it('shows a label from the first word of its scene, for as long as it is spoken', () => {
    const label = supers.find(({ kind }) => kind === 'super')!
    expect(label).toMatchObject({ text: '1822', start: film.scenes[1]!.speechStart })
    expect(label.end).toBeGreaterThanOrEqual(film.scenes[1]!.endSample)
  })
  it('shows a number with its figure, and a key word with the word it stands before', () => {
    const [number, key] = ['number', 'key'].map((kind) => supers.find((s) => s.kind === kind)!)
    const [turns, bends] = [film.scenes[2]!, film.scenes[3]!]
    expect(number!.start).toBe(turns.words.find(({ text }) => text === '24')!.start)
    expect(key!.start).toBe(bends.words.find(({ text }) => text === 'knew')!.start)
  })
})

describe('what nobody asked for', () => {
  const told = Array.from(
    { length: 12 },
    (_, i) =>
      `Boat number one is ${20 + i} miles out and sees the light. It goes on and on, and nobody on it says a word for all that while.`,
  ).join(' ')
  const taken = (dial: Drawing['dial'], refused: string[] = []) => {
    const plan = filmOf({ ...documentFrom('T', told), drawing: { dial, refused } })
    return filmSupers(timeline(plan, [], [30, 1]), plan)
  }
  it('is drawn as often as the dial says, and never when refused', () => {
    const counts = (['none', 'few', 'some', 'many'] as const).map((dial) => taken(dial).length)
    expect(counts[0]).toBe(0)
    expect(counts).toEqual([...counts].sort((a, b) => a - b))
    expect(counts[3]).toBeGreaterThan(counts[1]!)
    expect(taken('many', ['number mile'])).toEqual([])
  })
  it('comes with its figure', () => {
    const [one] = taken('many')
    const word = one!.words.find(({ start }) => start === one!.start)
    expect(one!.text.startsWith(word!.text)).toBe(true)
  })
})

describe('assDocument', () => {
  it.each([
    [1920, 1080],
    [1080, 1920],
    [1080, 1080],
    [320, 180],
  ])(
    'is read by the reference library ass-compiler at %ix%i in every house style, margins inside the graphics-safe 5 per cent (EBU R 95, from memory)',
    (width, height) => {
      for (const { lettering } of HOUSE_STYLES) {
        const styled = { ...planned, lettering }
        const letters = filmLetters(film, styled, { width, height })
        const marks = letters.supers.flatMap((placed) => placed.marks)
        const read = parse(assDocument({ width, height, lettering, cues: letters.cues, marks }))
        expect(Number(read.info.PlayResX)).toBe(width)
        const written = read.events.dialogue.map(({ Text }) =>
          Text.parsed.map(({ text }) => text).join(''),
        )
        expect(written.join(' ').toLowerCase()).toContain('light')
        expect(read.events.dialogue.length).toBeGreaterThanOrEqual(marks.length)
        for (const style of read.styles.style.filter(({ Name }) => Name !== 'Drawn')) {
          expect(Number(style.MarginL) / width).toBeGreaterThanOrEqual(0.05)
          if (lettering.subtitle.place !== 'middle')
            expect(Number(style.MarginV) / height).toBeGreaterThanOrEqual(0.05)
        }
      }
    },
  )
  it('gives the letters of every house style 4.5 : 1 against what they stand on (WCAG 2.2 SC 1.4.3)', () => {
    for (const { name, lettering } of HOUSE_STYLES) {
      const { subtitle, palette } = lettering
      expect(contrast(subtitle.colour, subtitle.groundColour), name).toBeGreaterThanOrEqual(LEGIBLE)
      expect(contrast(palette.ink, palette.paper), name).toBeGreaterThanOrEqual(LEGIBLE)
      expect(contrast(palette.light, palette.shade), name).toBeGreaterThanOrEqual(LEGIBLE)
    }
    // The worked example of WCAG's own formula: black on white.
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5)
  })
  it('lets no script open an override block or start an escape', () => {
    for (const text of ['{\\an8}up', 'a\\Nb', '{{}}']) expect(assText(text)).not.toMatch(/[{}\\]/)
  })
  it('writes times to the hundredth, never more than 99', () => {
    expect([0, SAMPLE_RATE * 3661.25, SAMPLE_RATE * 0.9999].map(assTime)).toEqual([
      '0:00:00.00',
      '1:01:01.25',
      '0:00:01.00',
    ])
  })
})
