import { describe, expect, it } from 'vitest'
import { documentFrom } from '../document/apply.ts'
import { filmOf } from '../document/film-scenes.ts'
import { csvField } from '../text/csv.ts'
import { timeline } from '../timeline/timeline.ts'
import { chapterList, creditsText, ffmetadata, shotsCsv } from './lists.ts'
import { transcript } from './transcript.ts'

const item = (id: string) => ({
  id,
  kind: 'photo' as const,
  title: 'A "pier", at dawn',
  seconds: null,
  width: 1920,
  height: 1080,
  source: 'Library',
  licence: 'CC BY 4.0',
  author: 'A. Painter',
})
const decided = documentFrom(
  'T',
  'Before. \n# One; first\nThe lamp burns.\n# Two = second\nIt turns. It rests.',
)
const scenes = decided.scenes.map((scene, i) => ({
  ...scene,
  shots: [
    {
      item: i === 3 ? null : item(i === 2 ? 'a' : String.fromCharCode(97 + i)),
      by: 'match' as const,
    },
  ],
}))
const film = timeline(filmOf({ ...decided, scenes }), [], [30, 1])

describe('csvField', () => {
  it.each([
    ['plain', 'plain'],
    ['a,b', '"a,b"'],
    ['say "x"', '"say ""x"""'],
    ['two\nlines', '"two\nlines"'],
    [3.5, '3.5'],
  ])('quotes %j as RFC 4180 does', (value, field) => expect(csvField(value)).toBe(field))
  it.each(['=1+1', '+cmd', '-2', '@sum'])('disarms %j, which a spreadsheet would run', (value) =>
    expect(csvField(value)).toBe(`'${value}`),
  )
})

describe('shotsCsv', () => {
  const rows = shotsCsv(film).trimEnd().split('\r\n')
  it('has a row a shot under a head, the frames tiling the film', () => {
    expect(rows).toHaveLength(1 + 4)
    const spans = rows.slice(1).map((row) => row.split(',').slice(4, 6).map(Number))
    expect(spans[0]![0]).toBe(0)
    spans.slice(1).forEach(([from], i) => expect(from).toBe(spans[i]![1]))
    expect(spans.at(-1)![1]).toBe(film.frames)
  })
  it('names a plain card where there is no picture', () => expect(rows[4]).toContain('plain card'))
})

describe('creditsText', () => {
  it('names pictures, voice and music, and no picture that asks for nothing', () => {
    expect(creditsText('The film', ['“A pier” by A. Painter', ''], 'Salt', 'made for it')).toBe(
      'The film\n\nPictures\n- “A pier” by A. Painter\n\nVoice\n- Salt\n\nMusic\n- made for it\n',
    )
    expect(creditsText('The film', [], 'Salt', 'none')).toContain('Pictures\n- none')
  })
})

describe('chapters', () => {
  it('open at 0:00 with a name of their own when the first heading comes later', () => {
    expect(chapterList(film).split('\n')[0]).toBe('0:00 Opening')
    expect(chapterList(film).split('\n').filter(Boolean)).toHaveLength(3)
  })
  it('are written as ffmpeg metadata with its special characters escaped, none overlapping', () => {
    const text = ffmetadata('A = B; C', film)
    expect(text).toContain('title=A \\= B\\; C')
    expect(text).toContain('title=One\\; first')
    const spans = [...text.matchAll(/START=(\d+)\nEND=(\d+)/g)].map(([, from, to]) => [
      Number(from),
      Number(to),
    ])
    expect(spans[0]![1]).toBe(spans[1]![0])
    expect(spans[1]![1]).toBe(film.samples)
  })
})

describe('transcript', () => {
  it('is what is said under its headings, without directions and cards', () => {
    const script =
      '# Light\n\nThe lamp burns. [super: 1822] [pause 2s] It turns.\n\n# Sea\n\nKEEPER: It is calm.'
    const planned = filmOf({
      ...documentFrom('T', script),
      cards: {
        opening: { shown: true, text: 'Hello', samples: 96_000 },
        closing: { shown: true, text: null, samples: 96_000 },
      },
    })
    expect(transcript(timeline(planned, [], [30, 1]))).toBe(
      'Light\n\nThe lamp burns. It turns.\n\nSea\n\nIt is calm.\n',
    )
    expect(transcript({ scenes: [], chapters: [] })).toBe('')
  })
})
