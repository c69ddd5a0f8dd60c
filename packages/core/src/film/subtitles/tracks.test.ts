import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from '../../document/apply.ts'
import type { Document } from '../../document/document.ts'
import { filmOf } from '../../document/film-scenes.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { timeline } from '../../timeline/timeline.ts'
import { alignTexts } from './align-texts.ts'
import { filmCues } from './film-cues.ts'
import { wordPieces } from './track-words.ts'

const WIDE = { width: 1920, height: 1080 }
const plain = documentFrom('T', 'The tide turns. The moon pulls at the sea.\n\nSo it is every day.')
const track = (document: Document, language: string, texts: Record<string, string>) =>
  apply(document, {
    type: 'setTrack',
    language,
    texts: Object.entries(texts).map(([sceneId, text]) => ({ sceneId, text })),
  }).document
const planned = (document: Document) => {
  const film = filmOf(document)
  return { film, plan: timeline(film, [], [30, 1]) }
}
const cuesIn = (document: Document, language: string) => {
  const { film, plan } = planned(document)
  return filmCues(plan, film, WIDE, language)
}
const german = track(plain, 'de', {
  s1: 'Die Flut kehrt um.',
  s2: 'Der Mond zieht am Meer.',
  s3: 'So ist es jeden Tag.',
})

describe('subtitles in another language', () => {
  it('stand while their scenes are spoken, each word once', () => {
    const cues = cuesIn(german, 'de')
    expect(cues.flatMap(({ lines }) => lines).join(' ')).toBe(
      'Die Flut kehrt um. Der Mond zieht am Meer. So ist es jeden Tag.',
    )
    const { plan } = planned(german)
    expect(cues.at(-1)!.start).toBeGreaterThanOrEqual(plan.scenes[2]!.startSample)
    expect(cuesIn(german, '')[0]!.lines[0]).toMatch(/^The tide/)
  })
  it('go along with their scenes, and are burnt in where that is wanted', () => {
    const moved = apply(german, { type: 'moveScenes', sceneIds: ['s1'], place: 'end' }).document
    expect(cuesIn(moved, 'de').at(-1)!.lines.join(' ')).toContain('Die Flut kehrt um.')
    const burnt = apply(german, { type: 'setSubtitling', set: { burnt: 'de' } }).document
    const { film, plan } = planned(burnt)
    expect(filmCues(plan, film, WIDE)[0]!.lines[0]).toMatch(/^Die Flut/)
    const gone = apply(burnt, { type: 'removeTrack', language: 'de' }).document
    expect(gone.subtitling).toMatchObject({ tracks: [], burnt: '' })
  })
  it('take a text away, keep what it was written for, and know no scene that is not there', () => {
    const less = track(german, 'de', { s2: '', zz: 'Nirgends.' })
    expect(less.subtitling.tracks[0]!.texts.map(({ sceneId }) => sceneId)).toEqual(['s1', 's3'])
    expect(less.subtitling.tracks[0]!.texts[0]!.of).toBe('The tide turns.')
    const many = Array.from({ length: 13 }, (_, i) => `x${'abcdefghijklm'[i]}`)
    expect(() => many.reduce((film, code) => track(film, code, { s1: 'x' }), plain)).toThrow(
      /12 languages at most/,
    )
  })
  it('break where their writing allows: between words of a dictionary, no mark first (UAX #14 and #29)', () => {
    const breaks = (text: string) => wordPieces(text).map((piece) => piece.text)
    expect(breaks('灯台は高い。')).toEqual(['灯台', 'は', '高い。'])
    expect(breaks('「海」と空')).toEqual(['「海」', 'と', '空'])
    expect(breaks('lamp')).toEqual(['lamp'])
    const japanese = track(plain, 'ja', {
      s2: '月は海を引っ張り、海は一日に二回、岸に向かって上がってきて、それから遠くへ下がっていきます。'.repeat(
        2,
      ),
    })
    const lines = cuesIn(japanese, 'ja').flatMap((cue) => cue.lines)
    expect(lines.length).toBeGreaterThan(2)
    for (const line of lines) expect(line).not.toMatch(/^[、。ーっょ」]/)
    expect(lines.join('')).toBe(japanese.subtitling.tracks[0]!.texts[0]!.text.replace(/\s/g, ''))
  })
})

describe('alignTexts', () => {
  const { plan } = planned(plain)
  const at = (n: number) => plan.scenes[n]!.startSample / SAMPLE_RATE
  const whole = plan.samples / SAMPLE_RATE
  it('puts texts beside the scenes that are spoken in their middle', () => {
    const timed = [
      { text: 'Die Flut', start: at(0), end: at(0) + 0.4 },
      { text: 'kehrt um.', start: at(0) + 0.4, end: at(1) },
      { text: 'Der Mond zieht.', start: at(1), end: at(2) },
      { text: 'So ist es.', start: at(2), end: whole },
    ]
    expect(alignTexts(timed, plan.scenes)).toEqual({
      texts: [
        { sceneId: 's1', text: 'Die Flut kehrt um.' },
        { sceneId: 's2', text: 'Der Mond zieht.' },
        { sceneId: 's3', text: 'So ist es.' },
      ],
      remarks: [],
    })
  })
  it('takes as many as there are scenes one by one, and says where they may be of another film', () => {
    const three = ['Eins.', 'Zwei.', 'Drei.'].map((text) => ({ text }))
    expect(alignTexts(three, plan.scenes).texts.map(({ text }) => text)).toEqual([
      'Eins.',
      'Zwei.',
      'Drei.',
    ])
    const other = Array.from({ length: 40 }, (_, i) => ({
      text: `T${i}.`,
      start: i * 9,
      end: i * 9 + 8,
    }))
    const { texts, remarks } = alignTexts(other, plan.scenes)
    expect(remarks[0]).toMatch(
      /^They end after 359 s, the film after \d+ s: they may be of another film/,
    )
    expect(
      texts
        .map(({ text }) => text)
        .join(' ')
        .match(/T\d+/g),
    ).toHaveLength(40)
  })
  it('loses no text and keeps their order, whatever their times', () => {
    const timed = fc.record({ start: fc.nat(90), long: fc.nat(20) })
    fc.assert(
      fc.property(fc.array(timed, { minLength: 1, maxLength: 30 }), (times) => {
        const all = times
          .sort((a, b) => a.start - b.start)
          .map(({ start, long }, i) => ({ text: `w${i}`, start, end: start + long }))
        const put = alignTexts(all, plan.scenes).texts
        expect(
          put
            .map(({ text }) => text)
            .join(' ')
            .split(' ')
            .sort(),
        ).toEqual(all.map(({ text }) => text).sort())
      }),
    )
  })
})
