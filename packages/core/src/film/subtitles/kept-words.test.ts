import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from '../../document/apply.ts'
import type { Document } from '../../document/document.ts'
import { filmOf } from '../../document/film-scenes.ts'
import type { GuidelineName } from '../../document/subtitling.ts'
import { wordsOf } from '../../text/written-words.ts'
import { timeline } from '../../timeline/timeline.ts'
import { correction, countFound, replacement } from './corrections.ts'
import { cueRows } from './cue-rows.ts'
import { saidIn } from './cues.ts'
import { filmCues, filmLimits } from './film-cues.ts'

const WIDE = { width: 1920, height: 1080 }
const SCRIPT = `It is thirteen point eight billion years old, they say.

The lamp burns all night. The keeper laughs, and then he goes to bed.

The lamp burns all night, even in summer.`

const cuesOf = (document: Document, shape = WIDE) => {
  const film = filmOf(document)
  return filmCues(timeline(film, [], [30, 1]), film, shape)
}
const texts = (document: Document) => cuesOf(document).map(({ lines }) => lines.join('\n'))
const flat = (document: Document) => texts(document).join(' ').replace(/\s+/g, ' ')
/** The film with the subtitle that has these words written otherwise. */
function corrected(document: Document, from: string, to: string): Document {
  const cues = cuesOf(document)
  // A space may be a line break there.
  const there = new RegExp(from.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, '\\s+'))
  const at = cues.findIndex(({ lines }) => there.test(lines.join('\n')))
  expect(at, from).toBeGreaterThanOrEqual(0)
  const written = cues[at]!.lines.join('\n').replace(there, to)
  return apply(document, { type: 'keepWords', ...correction(cues, at, written) }).document
}
const said = (document: Document) => cuesOf(document).flatMap(({ words = [] }) => saidIn(words))
const spoken = (document: Document) => filmOf(document).scenes.flatMap(({ text }) => wordsOf(text))

const plain = documentFrom('T', SCRIPT)
const figured = corrected(plain, 'thirteen point eight billion', '13.8 billion')

describe('kept words', () => {
  it('are shown in place of what is said, and no more of it is kept than differs', () => {
    expect(flat(figured)).toContain('It is 13.8 billion years old')
    expect(figured.subtitling.kept).toEqual([
      {
        words: ['thirteen', 'point', 'eight'],
        shown: '13.8',
        beside: { before: 'is', after: 'billion' },
      },
    ])
    expect(said(figured)).toEqual(spoken(figured))
  })
  it('survive cuts, joins, moves and scenes put in before them', () => {
    const at = figured.script.indexOf('billion')
    const [first, second] = figured.scenes
    let film = apply(figured, { type: 'splitScene', sceneId: first!.id, at }).document
    expect(flat(film)).toContain('13.8')
    film = apply(figured, { type: 'mergeScene', sceneId: first!.id }).document
    expect(flat(film)).toContain('13.8')
    film = apply(figured, { type: 'moveScenes', sceneIds: [first!.id], place: 'end' }).document
    expect(flat(film)).toContain('13.8')
    film = apply(figured, {
      type: 'insertScenes',
      place: { before: second!.id },
      scenes: [{ script: 'So it is.', speaker: '', shots: [] }],
    }).document
    expect(flat(film)).toContain('13.8')
  })
  it('stand only where they were written, where the same is said elsewhere too', () => {
    const film = corrected(plain, 'night.', 'NIGHT.')
    expect(flat(film).match(/NIGHT/g)).toHaveLength(1)
    const everywhere = apply(plain, {
      type: 'keepWords',
      put: [{ words: ['lamp'], shown: 'Lamp', beside: null }],
      drop: [],
    }).document
    expect(flat(everywhere).match(/Lamp/g)).toHaveLength(2)
  })
  it('may be put in beside a word, taken out, and taken back', () => {
    const laughing = corrected(plain, 'laughs,', 'laughs [softly],')
    expect(flat(laughing)).toContain('The keeper laughs [softly], and')
    const shorter = corrected(plain, ', they say', '')
    expect(flat(shorter)).not.toContain('they')
    expect(said(shorter)).toEqual(spoken(shorter))
    const back = corrected(figured, '13.8', 'thirteen point eight')
    expect(back.subtitling.kept).toEqual([])
    const again = corrected(figured, '13.8 billion', '13,800 million')
    expect(again.subtitling.kept).toHaveLength(1)
    expect(flat(again)).toContain('It is 13,800 million years')
  })
  it('hold a line break set by hand, where there is room for two lines', () => {
    const broken = corrected(plain, 'The keeper laughs, and', 'The keeper laughs,\nand')
    expect(texts(broken).some((text) => text.includes('laughs,\nand'))).toBe(true)
    const apart = cuesOf({
      ...broken,
      lettering: {
        ...broken.lettering,
        subtitle: { ...broken.lettering.subtitle, words: 'line' },
      },
    })
    expect(apart.every(({ lines }) => lines.length === 1)).toBe(true)
  })
  it('are found and put in place of others wherever they stand', () => {
    const cues = cuesOf(plain)
    expect(countFound(cues, 'The Lamp')).toBe(2)
    const film = apply(plain, {
      type: 'keepWords',
      ...replacement(cues, 'the lamp', 'The LIGHT'),
    }).document
    expect(countFound(cuesOf(film), 'The LIGHT')).toBe(2)
    expect(said(film)).toEqual(spoken(film))
  })
  it('show what was written, and every spoken word stands under one, whatever is written where', () => {
    const words = fc.constantFrom('the', 'lamp', 'night.', 'a', 'Yes.', 'extraordinarily', '13')
    const text = fc
      .array(words, { minLength: 2, maxLength: 40 })
      .map((all) => all.map((word, i) => word.replace(/^\w+/, `$&${i}`)).join(' '))
    const other = fc.array(fc.constantFrom('x', 'lamp', '7', 'ha\nha', 'no-one'), { maxLength: 5 })
    fc.assert(
      fc.property(text, fc.nat(), other, fc.nat(), (script, which, shown, from) => {
        const film = documentFrom('T', script)
        const cues = cuesOf(film)
        const at = which % cues.length
        const there = cues[at]!.lines.join('\n').split(/(\s+)/)
        const written = there.toSpliced(from % there.length, 3, ` ${shown.join(' ')} `).join('')
        const kept = apply(film, { type: 'keepWords', ...correction(cues, at, written) }).document
        const bare = (all: readonly string[]) => all.join(' ').replace(/\s+/g, ' ').trim()
        const expected = cues.flatMap(({ lines }, i) => (i === at ? [written] : lines))
        const shownNow = bare(texts(kept))
        expect(shownNow).toBe(bare(expected))
        if (shownNow) expect(said(kept)).toEqual(spoken(kept))
      }),
      { numRuns: 120 },
    )
  })
})

describe('marks for those who cannot hear', () => {
  const SPOKEN = `The lamp burns. [sound: rain on glass, low] It rains all night long.

KEEPER: I saw it go out. Nobody else did.

And so it was.`
  const marked = (marks: Document['subtitling']['marks']) => {
    const film = documentFrom('T', SPOKEN)
    return { ...film, subtitling: { ...film.subtitling, marks } }
  }
  it('tell sounds in square brackets, where the script has them', () => {
    const film = marked({ speakers: 'none', sounds: true })
    expect(flat(film)).toContain('[rain on glass] It rains all night long.')
    expect(said(film)).toEqual(spoken(film))
  })
  it('tell another speaker by name or by a dash, always in a subtitle of their own', () => {
    const named = texts(marked({ speakers: 'name', sounds: false }))
    expect(named.some((text) => text.startsWith('KEEPER: I saw it go out.'))).toBe(true)
    expect(named.join(' ').match(/KEEPER/g)).toHaveLength(1)
    const dashed = texts(marked({ speakers: 'dash', sounds: false }))
    expect(dashed.filter((text) => text.startsWith('\u2013 '))).toEqual([
      expect.stringMatching(/^\u2013 I saw/),
      expect.stringMatching(/^\u2013 And so/),
    ])
  })
  it('leave a film with one voice and no sounds as it is', () => {
    const both = { speakers: 'dash', sounds: true } as const
    const film = { ...plain, subtitling: { ...plain.subtitling, marks: both } }
    expect(texts(film)).toEqual(texts(plain))
  })
  it('let words be corrected beside them', () => {
    const film = corrected(marked({ speakers: 'name', sounds: true }), 'saw it', 'SAW it')
    expect(flat(film)).toContain('KEEPER: I SAW it go out.')
    expect(film.subtitling.kept.map(({ shown }) => shown)).toEqual(['SAW'])
  })
})

describe('guidelines', () => {
  const long = documentFrom(
    'T',
    'The keeper climbed the stairs and wound the weight up. '.repeat(12),
  )
  const rows = (guideline: GuidelineName, speed = 1) => {
    const film = filmOf({ ...long, speed, subtitling: { ...long.subtitling, guideline } })
    const plan = timeline(film, [], [30, 1])
    return cueRows(
      plan,
      filmCues(plan, film, WIDE),
      filmLimits(plan, film, WIDE),
      film.lettering.subtitle,
    )
  }
  it('keep to their own numbers (BBC 37 letters, 180 words a minute; DCMP 32 letters, 4/3 to 6 s: from memory)', () => {
    for (const { cue, seconds } of rows('bbc'))
      for (const line of cue.lines) {
        expect(line.length).toBeLessThanOrEqual(37)
        expect(seconds).toBeLessThanOrEqual(8)
      }
    for (const { cue, seconds } of rows('dcmp')) {
      for (const line of cue.lines) expect(line.length).toBeLessThanOrEqual(32)
      expect(seconds).toBeGreaterThanOrEqual(4 / 3 - 1e-6)
      expect(seconds).toBeLessThanOrEqual(6)
    }
    expect(rows('bbc').every(({ faults }) => faults.length === 0)).toBe(true)
  })
  it('say where they cannot be kept at this pace, and the way out', () => {
    const quick = rows('dcmp', 2).flatMap(({ faults }) => faults)
    expect(quick.length).toBeGreaterThan(5)
    expect(quick[0]!.said).toMatch(/^\d+ words a minute, 160 are allowed: speak slower/)
  })
})
