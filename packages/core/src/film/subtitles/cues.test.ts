import { parse as parseAss } from 'ass-compiler'
import { fromXML } from 'imsc/src/main/js/doc.js'
import { generateISD } from 'imsc/src/main/js/isd.js'
import { parse as parseSubtitles } from 'subsrt-ts'
import { describe, expect, it } from 'vitest'
import { WebVTTParser } from 'webvtt-parser'
import { documentFrom } from '../../document/apply.ts'
import { filmOf } from '../../document/film-scenes.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { timeline } from '../../timeline/timeline.ts'
import { assDocument } from '../lettering/ass-document.ts'
import type { Cue } from './cues.ts'
import { filmCues } from './film-cues.ts'
import { ttml } from './ttml.ts'
import { srt, vtt } from './write.ts'

const SCRIPT = `# A lamp\nWhy? On a clear night the beam of a good lighthouse is seen from twenty miles out at sea, by fishermen, by ferries, and by the great ships that follow the coast. Yes. [pause 2s] It costs less than a loaf of bread & a "pot" of <tea>, and no more. No. So it goes on.\n\n${'The keeper climbed the stairs and wound the weight to the top again. '.repeat(20)}`
const planned = filmOf(documentFrom('T', SCRIPT))
const film = timeline(planned, [], [30, 1])
const { lettering } = planned
const cues = filmCues(film, planned, { width: 1920, height: 1080 })

describe('filmCues', () => {
  it('shows every spoken word once, in order', () => {
    expect(cues.flatMap(({ lines }) => lines).join(' ')).toBe(
      planned.scenes.map(({ text }) => text).join(' '),
    )
  })
  it('keeps to two lines of 42 characters (common practice; BBC guidelines 37 on teletext, from memory)', () => {
    for (const { lines } of cues) {
      expect(lines.length).toBeLessThanOrEqual(2)
      for (const line of lines) expect(line.length).toBeLessThanOrEqual(42)
    }
  })
  it('shows each for 5/6 s to 7 s, at most 20 characters a second, never two at once, 2 frames between (common practice)', () => {
    cues.forEach((cue, i) => {
      const seconds = (cue.end - cue.start) / SAMPLE_RATE
      expect(seconds).toBeGreaterThanOrEqual(5 / 6 - 1e-6)
      expect(seconds).toBeLessThanOrEqual(7)
      expect(cue.lines.join(' ').length / seconds).toBeLessThanOrEqual(20)
      if (cues[i + 1])
        expect(cues[i + 1]!.start - cue.end).toBeGreaterThanOrEqual((2 * SAMPLE_RATE) / 30 - 1)
    })
  })
})

/** The lines a picture of IMSC shows. */
function textsIn(part: unknown): string[] {
  const { text, contents = [] } = part as { text?: string; contents?: unknown[] }
  return [...(text ? [text] : []), ...contents.flatMap(textsIn)]
}

describe('subtitle formats', () => {
  it('writes WebVTT that the reference parser webvtt-parser reads without an error', () => {
    const read = new WebVTTParser().parse(vtt(cues), 'subtitles')
    expect(read.errors).toEqual([])
    expect(read.cues).toHaveLength(cues.length)
    expect(read.cues[0]!.startTime).toBeCloseTo(cues[0]!.start / SAMPLE_RATE, 2)
  })
  it('writes WebVTT and TTML that stand where the style has them (webvtt-parser, imsc)', () => {
    const read = new WebVTTParser().parse(
      vtt(cues, { ...lettering.subtitle, place: 'head-left' }),
      'subtitles',
    )
    expect(read.errors).toEqual([])
    expect(read.cues[0]).toMatchObject({ linePosition: 6, textPosition: 6, alignment: 'start' })
    expect(vtt(cues, lettering.subtitle)).toMatch(/^WEBVTT\n\nSTYLE\n::cue \{\n {2}color: #/)
    const moved = vtt([{ ...cues[0]!, at: { place: 'head' } }], lettering.subtitle)
    expect(new WebVTTParser().parse(moved, 'subtitles').cues[0]).toMatchObject({ linePosition: 6 })
    const style = {
      ...lettering.subtitle,
      place: 'head-left',
      ground: 'plate',
      strength: 0.5,
    } as const
    const complaints: string[] = []
    const tell = (message: string) => complaints.push(message) > 0
    const head = fromXML(ttml(cues, 'en', style), {
      info: () => false,
      warn: tell,
      error: tell,
      fatal: tell,
    })
    expect(complaints).toEqual([])
    expect(JSON.stringify((head as { head?: unknown }).head)).toContain('"before"')
    const elsewhere: Cue = { ...cues[0]!, at: { place: 'foot-right' } }
    const both = fromXML(ttml([elsewhere, ...cues.slice(1)], 'en', style), {
      warn: tell,
      error: tell,
      fatal: tell,
    })
    const { regions } = (both as { head: { layout: { regions: object } } }).head.layout
    expect(Object.keys(regions)).toEqual(['foot', 'at-foot-right'])
    expect(complaints).toEqual([])
    expect(ttml(cues, 'en', style)).toContain(`tts:backgroundColor="${style.groundColour}80"`)
  })
  it('writes SRT that subsrt-ts reads back', () => {
    const read = parseSubtitles(srt(cues), { format: 'srt' }).filter(
      (c) => c.type === 'caption',
    ) as { start: number; content: string }[]
    expect(read.map(({ content }) => content.trim().split(/\r?\n/).join('\n'))).toEqual(
      cues.map(({ lines }) => lines.join('\n')),
    )
    expect(read.at(-1)!.start).toBeCloseTo((cues.at(-1)!.start / SAMPLE_RATE) * 1000, -1)
  })
  it('writes TTML that imsc (the reference reader of W3C IMSC 1.1) reads without a complaint', () => {
    const hostile: Cue = {
      lines: ['<br/> & "x"\u0000', ']]>'],
      start: 480_000_000,
      end: 480_100_000,
    }
    const complaints: string[] = []
    const tell = (message: string) => complaints.push(message) > 0
    const read = fromXML(ttml([...cues, hostile], 'de', lettering.subtitle), {
      info: () => false,
      warn: tell,
      error: tell,
      fatal: tell,
    })
    expect(complaints).toEqual([])
    const shownAt = (samples: number) =>
      textsIn(generateISD(read, samples / SAMPLE_RATE, { error: tell, fatal: tell }))
    for (const cue of [cues[0]!, cues[3]!, cues.at(-1)!])
      expect(shownAt((cue.start + cue.end) / 2)).toEqual(cue.lines)
    expect(shownAt(480_050_000)).toEqual(['<br/> & "x"', ']]>'])
    expect(complaints).toEqual([])
  })
  it('writes ASS that ass-compiler reads, with no override block from the script', () => {
    const read = parseAss(
      assDocument({
        width: 1920,
        height: 1080,
        cues: [...cues, { lines: ['{\\b1}bold'], start: 0, end: 1 }],
        lettering,
        marks: [],
      }),
    )
    expect(read.events.dialogue).toHaveLength(cues.length + 1)
    expect(read.events.dialogue.at(-1)!.Text.parsed.some(({ tags }) => tags.length > 0)).toBe(false)
  })
})
