import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '../document/apply.ts'
import { filmOf } from '../document/film-scenes.ts'
import { assDocument } from '../film/lettering/ass-document.ts'
import { assText } from '../film/lettering/ass-text.ts'
import { srt, vtt } from '../film/subtitles/write.ts'
import { CALM } from '../style/calm.ts'
import { csv } from '../text/csv.ts'
import { timeline } from '../timeline/timeline.ts'
import { claimList } from './claim-list.ts'
import { chapterList, creditsText, ffmetadata } from './lists.ts'

/** Every control of Unicode (Cc), NEL, line and paragraph separators, and marks that turn text. */
const CONTROLS = [
  ...Array.from({ length: 0x20 }, (_, i) => i),
  ...Array.from({ length: 0x21 }, (_, i) => 0x7f + i),
  0x200e,
  0x202e,
  0x2028,
  0x2029,
  0xfeff,
].map((code) => String.fromCharCode(code))

/** What a reader of a format would take for orders, were it to begin a line. */
const ORDERS = [
  'Dialogue: 9,0:00:00.00,0:00:09.00,Super,,0,0,0,,hidden',
  '[CHAPTER]',
  'START=0',
  'title=another',
  '00:00:00.000 --> 00:00:09.000',
  '- somebody else',
  '0:07 hidden',
]
const hostile = CONTROLS.flatMap((control) =>
  ORDERS.map((order) => `Light${control}${control}${order}`),
)

/** Lines as the most generous reader breaks them (Unicode UAX #14, hard breaks). */
const lines = (text: string) => text.split(/\r\n|[\n\r\u000b\u000c\u0085\u2028\u2029]/)
const film = (() => {
  const planned = filmOf(documentFrom('Light', '# One\nIt burns. It turns.\n\n# Two\nIt ends.'))
  return timeline(
    planned,
    planned.scenes.map(() => undefined),
    [30, 1],
  )
})()
const named = (title: string) => ({
  ...film,
  chapters: film.chapters.map((chapter) => ({ ...chapter, title })),
})
const cue = (text: string) => ({ lines: text.split('\n'), start: 0, end: 48_000 })

describe('a text with controls in it', () => {
  it('adds no event to ASS and no order to its text', () => {
    const written = (text: string) =>
      assDocument({ width: 320, height: 180, ...CALM, cues: [cue(text)], marks: [] })
    const plain = written('Light')
    for (const text of hostile) {
      const made = written(text)
      expect(lines(made).filter((line) => line.startsWith('Dialogue:'))).toHaveLength(
        lines(plain).filter((line) => line.startsWith('Dialogue:')).length,
      )
    }
    expect(assText('a{\\b1}\rb')).not.toMatch(/[{}\r]|\\(?!N)/)
  })

  it('adds no chapter and no tag to ffmetadata, no line to a chapter list or the credits', () => {
    const plain = ffmetadata('Light', named('Light'))
    for (const text of hostile) {
      const made = ffmetadata(text, named(text))
      expect(lines(made)).toHaveLength(lines(plain).length)
      expect(lines(made).filter((line) => line === '[CHAPTER]')).toHaveLength(2)
      expect(lines(chapterList(named(text)))).toHaveLength(lines(chapterList(named('a'))).length)
      expect(lines(creditsText(text, [text], 'v', 'm'))).toHaveLength(
        lines(creditsText('a', ['a'], 'v', 'm')).length,
      )
    }
  })

  it('adds no cue to SubRip or WebVTT', () => {
    for (const text of hostile) {
      const times = (made: string) => lines(made).filter((line) => /^[\d:.,]+ -->/.test(line))
      expect(times(srt([cue(text.replaceAll('\n', ' '))]))).toHaveLength(1)
      expect(times(vtt([cue(text.replaceAll('\n', ' '))]))).toHaveLength(1)
    }
  })

  it('is one cell of a list, and never a formula, whatever stands before the sign', () => {
    for (const sign of ['=', '+', '-', '@', '＝', '＋', '－', '＠'])
      for (const before of ['', ' ', ...CONTROLS]) {
        const text = `${before}${sign}1+1`
        const read = Papa.parse<string[]>(csv([[text, 'b']]).trimEnd()).data
        expect(read).toHaveLength(1)
        expect(read[0]).toHaveLength(2)
        expect(read[0]![0]!.startsWith("'")).toBe(true)
      }
    const row = { scene: 1, kind: 'a', words: '\r=1', sentence: '', mark: '', source: '', by: '' }
    expect(Papa.parse<string[]>(claimList([row]).trimEnd()).data[1]![2]).toBe("'\r=1")
  })
})
