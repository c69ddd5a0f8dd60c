import { parse } from 'ass-compiler'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '../../document/apply.ts'
import { filmOf } from '../../document/film-scenes.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { timeline } from '../../timeline/timeline.ts'
import { assDocument, assText, assTime } from './ass.ts'
import { filmSupers } from './supers.ts'

const planned = filmOf(
  documentFrom(
    'T',
    '# How a lighthouse throws its light across the sea\nThe lamp burns. [super: 1822] It was lit {first} in a storm.\n# Two\nIt turns.',
  ),
)
const film = timeline(planned, [], [30, 1])
const supers = filmSupers(film, planned)

/** Relative luminance and contrast of WCAG 2.2. */
const luminance = (hex: string) => {
  const [r, g, b] = [0, 2, 4]
    .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)) as [
    number,
    number,
    number,
  ]
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
const contrast = (a: string, b: string) =>
  (Math.max(luminance(a), luminance(b)) + 0.05) / (Math.min(luminance(a), luminance(b)) + 0.05)

describe('filmSupers', () => {
  it('shows each heading in the first seconds of its chapter', () => {
    const headings = supers.filter(({ style }) => style === 'Chapter')
    expect(headings).toHaveLength(2)
    headings.forEach(({ start, end }, i) => {
      expect(start).toBeGreaterThanOrEqual(film.chapters[i]!.startSample)
      expect((end - start) / SAMPLE_RATE).toBeGreaterThan(2)
    })
  })
  it('breaks a long heading near its middle', () =>
    expect(supers[0]!.text.split('\n').map((line) => line.length)).toEqual([23, 24]))
  it('shows a label while its scene is spoken', () => {
    const label = supers.find(({ style }) => style === 'Label')!
    expect(label).toMatchObject({
      text: '1822',
      start: film.scenes[1]!.speechStart,
      end: film.scenes[1]!.endSample,
    })
  })
})

describe('assDocument', () => {
  it.each([
    [1920, 1080],
    [1080, 1920],
    [1080, 1080],
    [320, 180],
  ])(
    'is read by the reference library ass-compiler at %ix%i, margins inside the graphics-safe 5 per cent (EBU R 95, from memory)',
    (width, height) => {
      const read = parse(
        assDocument({
          width,
          height,
          cues: [{ lines: ['One', 'Two'], start: 0, end: SAMPLE_RATE }],
          supers,
        }),
      )
      expect(Number(read.info.PlayResX)).toBe(width)
      expect(read.events.dialogue).toHaveLength(supers.length + 1)
      for (const style of read.styles.style) {
        expect(Number(style.MarginL) / width).toBeGreaterThanOrEqual(0.05)
        expect(Number(style.MarginV) / height).toBeGreaterThanOrEqual(0.05)
      }
      const [said, heading] = ['Subtitle', 'Chapter'].map((name) =>
        read.styles.style.find((style) => style.Name === name)!,
      )
      expect(Number(heading!.MarginV), 'a heading above two lines of subtitle').toBeGreaterThan(
        Number(said!.MarginV) + 2 * 1.2 * Number(said!.Fontsize),
      )
    },
  )
  it('gives subtitles an edge of 4.5 : 1 against their text (WCAG 2.2 SC 1.4.3)', () => {
    const style = parse(
      assDocument({ width: 1920, height: 1080, cues: [], supers: [] }),
    ).styles.style.find(({ Name }) => Name === 'Subtitle')!
    const rgb = (ass: string) => ass.slice(-2) + ass.slice(-4, -2) + ass.slice(-6, -4)
    expect(contrast(rgb(style.PrimaryColour), rgb(style.OutlineColour))).toBeGreaterThanOrEqual(4.5)
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
