import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '../document/apply.ts'
import { filmOf } from '../document/film-scenes.ts'
import { PLACES } from '../pictures/place.ts'
import { HOUSE_STYLES } from '../style/house-styles.ts'
import { SUPER_LOOKS } from '../style/lettering.ts'
import { SUBTITLE_PRESETS } from '../style/subtitle-presets.ts'
import { wordsOf } from '../text/written-words.ts'
import { timeline } from '../timeline/timeline.ts'
import { filmLetters } from './film-letters.ts'
import { frameOf, isInside, overlaps } from './lettering/frame.ts'
import { inkBox } from './lettering/mark.ts'
import { cased, cueBox, cueStyle } from './subtitles/cue-place.ts'

const SENTENCES = [
  'The lamp burns all night.',
  'In 1822 the lens came, and in 1859 the electric light.',
  'Water covers 71 % of it, which is more than anyone on the boat had thought possible.',
  `It is called ${'supercalifragilistic'.repeat(10)} by nobody at all.`,
  'المنارة عالية جدا ونورها قوي.',
  '灯塔很高，海很深，船从远处就能看见它的光，所以夜里也能找到港口的入口。',
  'Yes.',
]
const DIRECTIONS = [
  '[super: 1822]',
  `[super: ${'so many words that nobody reads them '.repeat(130)}]`,
  `[super: ${'x'.repeat(200)}]`,
  '[number: 13.8 billion years]',
  '[bars: Coal 35 %; Gas 22 %; Wind 8 %; Peat 7 %; Oil 41 %; Sun 12 %]',
  '[share: 71 % of the surface of the whole planet we stand on]',
  '[years: 1822 the lens; 1859 electric light; 1900 the turning lamp; 1950 nobody]',
  '[list: the gate; the sluice; the chamber where the boat waits; and the keeper]',
  '[change: 4 m to 12 m]',
  '[quote: It never goes out while I am awake, whatever the weather — Ann Reed, keeper]',
  '[name: Ann Reed, keeper of the light]',
  '[key: refraction]',
  '[call: Next week: the tides]',
  '[point: The lens at 62 35]',
  '[super: المنارة]',
  '[number: 20 miles @ foot right]',
  '[key: refraction @ 50 50]',
  '[list: the gate; the sluice @ 3 97]',
  '[mark: ring 30 @ 20 30]',
  '[mark: spotlight 60 @ 95 5]',
  '[mark: box 80 x 40 @ 50 50]',
  '[mark: arrow left @ 70 20]',
  '[mark: marker @ 40 90]',
  '[wave: bars]',
  '[wave: line @ 97 3]',
]
const TITLES = [
  'Light',
  'How a lighthouse throws its light across the sea',
  'المنارة',
  'A'.repeat(180),
]
const SHAPES = [
  { width: 1920, height: 1080 },
  { width: 1080, height: 1920 },
  { width: 1080, height: 1080 },
  { width: 320, height: 180 },
]

const style = fc
  .record({
    base: fc.constantFrom(...HOUSE_STYLES),
    subtitle: fc.constantFrom(...Object.values(SUBTITLE_PRESETS)),
    place: fc.constantFrom(...PLACES),
    at: fc.constantFrom(...PLACES),
    look: fc.constantFrom(...SUPER_LOOKS),
    size: fc.constantFrom(0.03, 0.08, 0.2, 0.4),
  })
  .map(({ base, subtitle, place, at, look, size }) => ({
    ...base.lettering,
    subtitle: { ...subtitle.style, place },
    supers: {
      ...base.lettering.supers,
      [look]: { ...base.lettering.supers[look], place: at, size },
    },
  }))
const script = fc
  .array(
    fc.tuple(
      fc.constantFrom(...SENTENCES),
      fc.array(fc.constantFrom(...DIRECTIONS), { maxLength: 3 }),
      fc.option(fc.constantFrom(...TITLES), { freq: 3 }),
    ),
    { minLength: 1, maxLength: 6 },
  )
  .map((scenes) =>
    scenes
      .map(
        ([text, directions, title]) =>
          `${title ? `# ${title}\n` : ''}${directions.join(' ')} ${text}`,
      )
      .join('\n\n'),
  )

/** What one scene has otherwise than the film. */
const dresses = fc.array(
  fc.option(
    fc.record(
      {
        subtitle: fc.record(
          { place: fc.constantFrom(...PLACES), height: fc.constantFrom(0.05, 0.2, 0.45) },
          { requiredKeys: [] },
        ),
        supers: fc.dictionary(
          fc.constantFrom(...SUPER_LOOKS),
          fc.record(
            { place: fc.constantFrom(...PLACES), size: fc.constantFrom(0.03, 0.1, 0.4) },
            { requiredKeys: [] },
          ),
          { maxKeys: 3 },
        ),
      },
      { requiredKeys: [] },
    ),
    { freq: 2 },
  ),
  { maxLength: 6 },
)

/** A shape that marks a part of the picture; they may lie over each other. */
const isMark = (one: object) => 'kind' in one && one.kind === 'mark'

/** What did not fit, for who reads of it. */
const told = (...what: unknown[]) => JSON.stringify(what).slice(0, 600)

describe('filmLetters', () => {
  it('keeps subtitles and supers apart, all of them inside the safe area (EBU R 95, from memory), and shows every spoken word once', () => {
    fc.assert(
      fc.property(
        style,
        script,
        dresses,
        fc.constantFrom(...SHAPES),
        (lettering, text, own, shape) => {
          const plain = filmOf(documentFrom('T', text))
          const scenes = plain.scenes.map((scene, i) => ({ ...scene, dress: own[i] ?? {} }))
          const film = { ...plain, scenes, lettering }
          const plan = timeline(film, [], [30, 1])
          const { cues, supers } = filmLetters(plan, film, shape)
          const frame = frameOf(shape.width, shape.height)
          const seen = [
            ...cues.map((cue) => ({
              ...cue,
              box: cueBox(cue, cueStyle(cue, lettering.subtitle), frame),
            })),
            ...supers,
          ]
          for (const { box, ...one } of seen)
            expect(isInside(box, frame.safe), told(box, one, shape)).toBe(true)
          for (const { marks } of supers)
            for (const mark of marks.filter(({ blur }) => !blur))
              expect(isInside(inkBox(mark), frame.safe), told(inkBox(mark), mark, shape)).toBe(true)
          seen.forEach((one, i) => {
            for (const other of seen.slice(i + 1))
              if (one.start < other.end && other.start < one.end && !(isMark(one) && isMark(other)))
                expect(overlaps(one.box, other.box)).toBe(false)
          })
          const letters = (words: readonly string[]) => words.join('').replace(/\s/g, '')
          expect(letters(cues.flatMap(({ lines }) => lines))).toBe(
            letters(film.scenes.flatMap((scene) => wordsOf(scene.text))),
          )
          for (const { lines, words = [] } of cues)
            expect(letters(words.map((word) => word.text))).toBe(letters(lines))
        },
      ),
      { numRuns: 90 },
    )
  })
  it('finds a place for three supers at once, and says what found none', () => {
    const film = filmOf(
      documentFrom(
        'T',
        '[number: 24 km] [super: 1822] [call: More soon] The lamp burns all night.',
      ),
    )
    const plan = timeline(film, [], [30, 1])
    expect(filmLetters(plan, film, { width: 1920, height: 1080 })).toMatchObject({ crowded: [] })
    const many = filmOf(documentFrom('T', `${'[key: refraction] '.repeat(300)} It bends.`))
    const { supers, crowded } = filmLetters(timeline(many, [], [30, 1]), many, {
      width: 1920,
      height: 1080,
    })
    expect(supers.length).toBeGreaterThan(3)
    expect(supers.length + crowded.length).toBe(300)
  })
  it('writes capitals where the style has them', () =>
    expect(cased('Straße', { capitals: true })).toBe('STRASSE'))
})
