import { parse as parseAss } from 'ass-compiler'
import { build, parse as parseReference } from 'subsrt-ts'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { type SubtitleFormat, SUBTITLES } from '@tidy-reel/core/export/subtitles'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { readSubtitles } from './read-subtitles.ts'

const SHAPE = { width: 1920, height: 1080, fps: [30, 1] as [number, number], burnIn: true }
const film = filmOf(
  documentFrom('T', '# Light\nThe lamp burns & turns. It "costs" <nothing>.\n\nوالبحر هادئ جدا.'),
)
const plan = timeline(film, [], [30, 1])
const letters = filmLetters(plan, film, SHAPE)
const written = (format: SubtitleFormat) =>
  SUBTITLES[format]({
    timeline: plan,
    shape: SHAPE,
    ...letters,
    lettering: film.lettering,
    language: 'en',
  })
const read = (text: string, name = 'film.srt') => readSubtitles(Buffer.from(text), name)

describe('readSubtitles', () => {
  it.each(['srt', 'vtt', 'ttml'] as const)('reads back what is written as %s', (format) => {
    const { texts } = read(written(format))
    expect(texts.map(({ text }) => text)).toEqual(letters.cues.map(({ lines }) => lines.join('\n')))
    texts.forEach(({ start, end }, i) => {
      expect(start).toBeCloseTo(letters.cues[i]!.start / SAMPLE_RATE, 2)
      expect(end).toBeCloseTo(letters.cues[i]!.end / SAMPLE_RATE, 2)
    })
  })
  it('reads SRT and VTT as the reference library subsrt-ts writes and reads them', () => {
    const captions = [
      {
        type: 'caption' as const,
        index: 1,
        start: 1500,
        end: 2750,
        duration: 1250,
        content: 'Ebbe',
        text: 'Ebbe',
      },
      {
        type: 'caption' as const,
        index: 2,
        start: 3_600_000,
        end: 3_601_040,
        duration: 1040,
        content: 'und Flut',
        text: 'und Flut',
      },
    ]
    for (const format of ['srt', 'vtt'] as const) {
      const file = build(captions, { format })
      const reference = parseReference(file, { format }).filter(
        ({ type }) => type === 'caption',
      ) as {
        start: number
        end: number
        text: string
      }[]
      expect(read(file).texts, format).toEqual(
        reference.map(({ start, end, text }) => ({
          start: expect.closeTo(start / 1000, 3),
          end: expect.closeTo(end / 1000, 3),
          text,
        })),
      )
    }
  })
  it('reads ASS as the reference library ass-compiler does', () => {
    const file = written('ass')
    const reference = parseAss(file).events.dialogue.flatMap(({ Start, End, Text }) => {
      const drawn = Text.parsed.some(({ drawing }) => drawing.length > 0)
      return drawn ? [] : [{ start: Start, end: End, text: Text.combined.replace(/\\N/g, '\n') }]
    })
    expect(reference.length).toBeGreaterThan(letters.cues.length)
    expect(read(file).texts).toEqual(reference)
  })
  it('tells what it leaves out, each once', () => {
    const vtt = `WEBVTT

STYLE
::cue { color: lime }

NOTE by hand

00:01.000 --> 00:02.000 line:10% position:20%
<v Ann>The <b>lamp</b> burns.

00:03.000 --> 00:04.000 align:start
It turns.`
    const { texts, left } = read(vtt)
    expect(texts.map(({ text }) => text)).toEqual(['The lamp burns.', 'It turns.'])
    expect(left).toEqual([
      'Left out: a style of its own.',
      'Left out: a remark.',
      'Left out: a place on the picture, 2 times.',
      'Left out: the name of who speaks.',
      'Left out: a mark of letters or time.',
    ])
    const ass = `[Script Info]\n[V4+ Styles]\nStyle: A\n[Events]\nFormat: Layer, Start, End, Style, Text
Dialogue: 0,0:00:01.00,0:00:02.00,A,{\\b1}The lamp,\\Nand the sea
Dialogue: 0,0:00:02.00,0:00:03.00,A,{\\p1}m 0 0 l 10 10{\\p0}`
    expect(read(ass)).toEqual({
      texts: [{ start: 1, end: 2, text: 'The lamp,\nand the sea' }],
      left: [
        'Left out: a style.',
        'Left out: a movement or colour of letters.',
        'Left out: a drawing.',
      ],
    })
  })
  it('reads times of TTML as offsets, frames and ticks, and UTF-16', () => {
    const ttml = `<tt xmlns="http://www.w3.org/ns/ttml" xmlns:ttp="http://www.w3.org/ns/ttml#parameter"
      ttp:frameRate="25" ttp:tickRate="10000000"><body><div>
      <p begin="1.5s" dur="500ms">Eins</p><p begin="00:00:03:05" end="00:00:04:00">Zwei<br/>drei</p>
      <p begin="50000000t" end="60000000t">Vier</p></div></body></tt>`
    const expected = [
      { start: 1.5, end: 2, text: 'Eins' },
      { start: 3.2, end: 4, text: 'Zwei\ndrei' },
      { start: 5, end: 6, text: 'Vier' },
    ]
    expect(read(ttml).texts).toEqual(expected)
    const wide = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(ttml, 'utf16le')])
    expect(readSubtitles(wide, 'film.ttml').texts).toEqual(expected)
  })
  it('reads a table’s last column, and lines one text each', () => {
    expect(read('Scene,German\n1,"Ebbe, Flut"').texts).toEqual([
      { text: 'German' },
      { text: 'Ebbe, Flut' },
    ])
    expect(read('Ebbe, und Flut\nDer Mond').texts).toEqual([
      { text: 'Ebbe, und Flut' },
      { text: 'Der Mond' },
    ])
  })
  it.each<[string, Buffer | string, RegExp]>([
    ['nothing', '', /no words/],
    ['marks alone', '1\n00:00:01,000 --> 00:00:02,000\n...', /no words/],
    ['bytes of a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]), /no text/],
    [
      'entities that fetch',
      '<!DOCTYPE tt [<!ENTITY x SYSTEM "file:///etc/passwd">]><tt><body><div><p begin="0s" end="1s">&x;</p></div></body></tt>',
      /entities of its own/,
    ],
    ['a cut off tree', '<tt><body><div><p begin="0s" end="1s">', /no words|damaged/],
    [
      '100,000 events',
      `[Script Info]\n[Events]\n${'Dialogue: 0,0:00:01.00,0:00:02.00,A,,0,0,0,,Ebbe\n'.repeat(100_000)}`,
      /100000 subtitles, at most 20000/,
    ],
    ['more than 8 MB', 'a\n'.repeat(4_200_000), /over 8 MB/],
  ])('says in a sentence why it cannot read %s', (_, file, sentence) => {
    const name = 'film.srt'
    const bytes = Buffer.isBuffer(file) ? file : Buffer.from(file)
    expect(() => readSubtitles(bytes, name)).toThrow(sentence)
    expect(() => readSubtitles(bytes, name)).toThrow(
      /"film.srt" holds no subtitles that can be read/,
    )
  })
})
