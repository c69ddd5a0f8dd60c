import { describe, expect, it } from 'vitest'
import { documentFrom } from '../document/apply.ts'
import type { Document } from '../document/document.ts'
import { filmOf } from '../document/film-scenes.ts'
import { filmLetters } from '../film/film-letters.ts'
import { timeline } from '../timeline/timeline.ts'
import { type FilmShape, LETTERS_LEAD_SECONDS, renderPlan } from './plan.ts'
import { overallProgress } from './progress.ts'

const SHAPE: FilmShape = { width: 640, height: 360, fps: [30, 1], burnIn: true }
const item = (id: string, kind: 'clip' | 'photo' = 'photo') => ({
  id,
  kind,
  title: id,
  seconds: null,
  width: 1920,
  height: 1080,
  source: 'x',
  licence: 'x',
  author: 'x',
})

function plan(
  script: string,
  ids: string[],
  shape = SHAPE,
  usable: (id: string) => boolean = () => true,
  more: Partial<Document> = {},
) {
  const document = documentFrom('T', script)
  const planned = filmOf({
    ...document,
    scenes: document.scenes.map((scene, i) => ({
      ...scene,
      shots: [{ item: item(ids[i]!), by: 'match' as const }],
    })),
    ...more,
  })
  const film = timeline(planned, [], shape.fps)
  return {
    film,
    segments: renderPlan(
      film,
      { ...filmLetters(film, planned, shape), lettering: planned.lettering },
      shape,
      ({ id }) => usable(id),
    ),
  }
}
const SCRIPT =
  '# Light\nThe lamp burns all night. The sea is calm below it. The keeper sleeps in his bunk at last.'

describe('renderPlan', () => {
  it('gives every frame of the film to one segment', () => {
    const { film, segments } = plan(SCRIPT, ['a', 'b', 'c'])
    expect(segments.reduce((sum, { frames }) => sum + frames, 0)).toBe(film.frames)
    for (const { frames, shots } of segments)
      expect(shots.reduce((sum, shot) => sum + shot.frames, 0)).toBe(frames)
  })
  it('changes one name when one picture changes, and seldom more: the next still moves unlike it', () => {
    const script = `${SCRIPT} Nobody comes. The gulls are asleep as well. Then the day breaks.`
    const all = ['a', 'b', 'c', 'd', 'e', 'f']
    const before = plan(script, all).segments
    const changed = Array.from({ length: 30 }, (_, n) =>
      plan(script, all.with(1, `other ${n}`)).segments.flatMap(({ hash }, i) =>
        hash === before[i]?.hash ? [] : [i],
      ),
    )
    for (const some of changed) {
      expect(some).toContain(1)
      expect(some).not.toContain(0)
    }
    expect(changed.filter((some) => some.length === 1).length).toBeGreaterThan(15)
    expect(changed.flat().length / changed.length).toBeLessThan(2)
  })
  it.each([
    ['size', { width: 1280, height: 720 }],
    ['rate', { fps: [25, 1] as const }],
    ['burn-in', { burnIn: false }],
  ])('changes all names with the %s', (_what, other) => {
    const [before, after] = [
      plan(SCRIPT, ['a', 'b', 'c']).segments,
      plan(SCRIPT, ['a', 'b', 'c'], { ...SHAPE, ...other }).segments,
    ]
    expect(before.some(({ hash }, i) => hash === after[i]!.hash)).toBe(false)
  })
  it('puts a card with the words where the picture cannot be had', () => {
    const { segments } = plan(SCRIPT, ['a', 'b', 'c'], SHAPE, (id) => id !== 'b')
    expect(segments[1]!.shots[0]!.source).toEqual({
      kind: 'card',
      text: 'The sea is calm below it.',
    })
    expect(segments[1]!.ass).toMatch(/Drawn,.*The sea is calm/)
    expect(segments[0]!.ass).not.toMatch(/Drawn,.*The lamp burns/)
  })
  it('writes subtitles on the picture only when asked', () => {
    expect(plan(SCRIPT, ['a', 'b', 'c']).segments[1]!.ass).toContain(',Subtitle,,')
    expect(
      plan(SCRIPT, ['a', 'b', 'c'], { ...SHAPE, burnIn: false }).segments[1]!.ass,
    ).not.toContain(',Subtitle,,')
  })
  it('lets what runs on over a cut keep its own beginning and end, to the hundredth', () => {
    const { film, segments } = plan('# Light\nIt burns. It turns. It rests. It sleeps.', [
      'a',
      'b',
      'c',
      'd',
    ])
    const seconds = (written: string) => {
      const [h = 0, m = 0, s = 0] = written.split(':').map(Number)
      return h * 3600 + m * 60 + s
    }
    const headings = segments.flatMap(({ ass, scene }) => {
      const found = /Dialogue: 2,([\d:.]+),([\d:.]+),Drawn,.*Light/.exec(ass)
      const at = film.scenes[scene]!.startFrame / 30 - LETTERS_LEAD_SECONDS
      return found ? [[seconds(found[1]!) + at, seconds(found[2]!) + at] as const] : []
    })
    expect(headings.length).toBeGreaterThan(1)
    for (const [start, end] of headings) {
      expect(start).toBeCloseTo(0.25, 1)
      expect(end).toBeCloseTo(3.4, 1)
    }
  })
})

describe('overallProgress', () => {
  it('rises from step to step and ends at 1', () => {
    const steps = ['speak', 'fetch', 'render', 'join', 'check'] as const
    const shares = steps.flatMap((step) =>
      [0, 0.5, 1].map((part) => overallProgress({ step, done: part * 10, all: 10 })),
    )
    shares.slice(1).forEach((share, i) => expect(share).toBeGreaterThanOrEqual(shares[i]!))
    expect(shares.at(-1)).toBeCloseTo(1, 6)
  })
})
