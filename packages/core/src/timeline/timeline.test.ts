import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '../document/apply.ts'
import { type Document, type Shot } from '../document/document.ts'
import { filmOf } from '../document/film-scenes.ts'
import { ChosenItem } from '../pictures/item.ts'
import { CUT } from '../style/transition.ts'
import { frameAtSample, type FrameRate, SAMPLE_RATE } from '../time/time.ts'
import { soundSamples, timeline } from './timeline.ts'

const RATES: FrameRate[] = [
  [24, 1],
  [25, 1],
  [30, 1],
  [24000, 1001],
  [30000, 1001],
  [50, 1],
  [60, 1],
]
const script = documentFrom(
  'T',
  '# One\nThe lamp burns. The sea, deep and cold, is calm. '.repeat(40),
)
const take = (samples: number) => ({ samples, pauses: [] })
const shots = (...words: (number | undefined)[]): Shot[] =>
  words.map((word) => ({ item: null, by: 'match', ...(word ? { word } : {}) }))
const PHOTO = { kind: 'photo', seconds: null, width: 1920, height: 1080 }
const seenItem = (...ids: string[]): Shot[] =>
  ids.map((id) => ({ item: ChosenItem.parse({ ...PHOTO, id, title: id }), by: 'match' }))
const filmWith = (
  scenes: (scene: Document['scenes'][number], i: number) => object,
  more: Partial<Document> = {},
) =>
  filmOf({
    ...script,
    ...more,
    scenes: script.scenes.map((scene, i) => ({ ...scene, ...scenes(scene, i) })),
  })

const decided = fc.record({
  samples: fc.integer({ min: 3000, max: 600_000 }),
  shots: fc.constantFrom(
    shots(undefined),
    shots(undefined, undefined),
    shots(undefined, 1),
    shots(undefined, undefined, 2),
    [],
  ),
  hidden: fc.constantFrom(undefined, undefined, undefined, true as const),
  length: fc.option(fc.integer({ min: 1, max: 900_000 }), { nil: undefined }),
})

describe('timeline', () => {
  it('tiles the film without gap or overlap, within half a frame of the sound, for any takes, cuts, lengths and rate', () => {
    const some = fc.array(decided, {
      minLength: script.scenes.length,
      maxLength: script.scenes.length,
    })
    fc.assert(
      fc.property(
        some,
        fc.constantFrom(...RATES),
        fc.constantFrom(CUT, { kind: 'dissolve' as const, samples: 48_000 }),
        (choices, fps, transition) => {
          const planned = filmWith(
            (_, i) => ({
              shots: choices[i]!.shots,
              hidden: choices[i]!.hidden,
              length: choices[i]!.length,
            }),
            { transition },
          )
          const film = timeline(
            planned,
            planned.scenes.map(({ id }) => take(choices[Number(id.slice(1)) - 1]!.samples)),
            fps,
          )
          let [frame, sample] = [0, 0]
          for (const scene of film.scenes) {
            expect([scene.startFrame, scene.startSample]).toEqual([frame, sample])
            expect(
              Math.abs(scene.endFrame - (scene.endSample / 48_000) * (fps[0] / fps[1])),
            ).toBeLessThanOrEqual(0.5 + 1e-9)
            expect(scene.speechEnd).toBeLessThanOrEqual(scene.endSample)
            expect(scene.shots[0]!.startFrame).toBe(scene.startFrame)
            scene.shots.forEach((s, i) => {
              expect(s.endFrame).toBe(scene.shots[i + 1]?.startFrame ?? scene.endFrame)
              if (scene.endFrame > scene.startFrame)
                expect(s.endFrame).toBeGreaterThan(s.startFrame)
              expect(s.transition?.frames ?? 0).toBeLessThanOrEqual(s.endFrame - s.startFrame)
            })
            ;[frame, sample] = [scene.endFrame, scene.endSample]
          }
          expect(film.frames).toBe(frame)
          expect(Math.abs(soundSamples(film) - film.samples)).toBeLessThanOrEqual(
            (48_000 * fps[1]) / fps[0],
          )
        },
      ),
      { numRuns: 40 },
    )
  })
  it('ends 500 scenes of 1.234567 s at 30000/1001 on round(500 · 1.234567 · 30000/1001): errors do not add up (arithmetic)', () => {
    const long = documentFrom('T', 'It turns. '.repeat(500))
    const length = 1.234567 * SAMPLE_RATE
    const film = timeline(
      filmOf({
        ...long,
        scenes: long.scenes.map((scene, i) => ({
          ...scene,
          length: Math.round((i + 1) * length) - Math.round(i * length),
        })),
      }),
      long.scenes.map(() => take(1000)),
      [30000, 1001],
    )
    expect(film.frames).toBe(Math.round((500 * 1.234567 * 30000) / 1001))
  })
  it('starts a shot on the frame of the word it is cut to', () => {
    const film = timeline(
      filmWith((_, i) => (i === 1 ? { shots: shots(undefined, 3) } : {})),
      [take(48_000), take(240_000)],
      [25, 1],
    )
    const { shots: cut, words } = film.scenes[1]!
    expect(cut[1]!.startFrame).toBe(frameAtSample(words[3]!.start, [25, 1]))
  })
  it('holds a scene as long as it is told, and never cuts its voice', () => {
    const film = timeline(
      filmWith((_, i) => (i < 2 ? { length: i === 0 ? 480_000 : 10 } : {})),
      [take(96_000), take(96_000)],
      [30, 1],
    )
    expect(film.scenes[0]!.endSample).toBe(480_000)
    expect(film.scenes[1]!.endSample).toBe(film.scenes[1]!.speechEnd)
  })
  it('leaves hidden scenes out and puts cards before and behind', () => {
    const { opening, closing } = script.cards
    const planned = filmWith((_, i) => (i === 0 ? { hidden: true } : {}), {
      cards: {
        opening: { ...opening, shown: true },
        closing: { ...closing, shown: true, text: 'The end' },
      },
    })
    const film = timeline(planned, [], [30, 1])
    expect(film.scenes.map(({ id }) => id)).toEqual([
      'opening',
      ...script.scenes.slice(1).map(({ id }) => id),
      'closing',
    ])
    expect([film.scenes[0]!.card, film.scenes.at(-1)!.card]).toEqual(['T', 'The end'])
    expect(film.scenes[0]!.endFrame).toBe(120)
    expect(film.chapters[0]!.startSample).toBe(192_000)
  })
  it('lets a picture go on over the scene after, in place of its first', () => {
    const held = { begins: { how: 'hold' as const, by: 'hand' as const } }
    const planned = filmWith(
      (_, i) =>
        [
          { shots: seenItem('a') },
          { shots: seenItem('b', 'c'), ...held },
          { shots: seenItem('d'), ...held },
        ][i] ?? {},
    )
    const film = timeline(planned, [take(240_000), take(480_000), take(96_000)], [25, 1])
    expect(
      film.scenes
        .slice(0, 3)
        .map(({ shots: seen }) => seen.map(({ item, standing }) => [item?.id, standing])),
    ).toEqual([
      [['a', undefined]],
      [
        ['a', 'on'],
        ['c', undefined],
      ],
      [['c', 'on']],
    ])
  })
  it('begins a picture under the last word before it where enough is left there', () => {
    const early = { begins: { how: 'early' as const, by: 'hand' as const } }
    const planned = filmWith(
      (_, i) => [{ shots: seenItem('a') }, { shots: seenItem('b'), ...early }][i] ?? {},
    )
    const [one, two] = timeline(planned, [take(240_000), take(240_000)], [25, 1]).scenes
    const cut = frameAtSample(one!.words.at(-1)!.start, [25, 1])
    expect(one!.shots).toMatchObject([
      { item: { id: 'a' }, endFrame: cut },
      { item: { id: 'b' }, startFrame: cut, standing: 'early' },
    ])
    expect(two!.shots).toMatchObject([{ item: { id: 'b' }, standing: 'on' }])
    const short = timeline(planned, [take(48_000), take(240_000)], [25, 1]).scenes
    expect(short[0]!.shots).toHaveLength(1)
  })
  it('forgets what matching decided of a scene with another before it', () => {
    const held = { begins: { how: 'hold' as const, by: 'match' as const, after: 's1' } }
    const film = (hidden: object) =>
      filmWith(
        (_, i) =>
          [
            { shots: seenItem('a'), ...hidden },
            { shots: seenItem('b'), ...held },
          ][i] ?? {},
      )
    expect(film({}).scenes[1]!.begins).toBe('hold')
    expect(film({ hidden: true }).scenes[0]!.begins).toBeUndefined()
  })
})
