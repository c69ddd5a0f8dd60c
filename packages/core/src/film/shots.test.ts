import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from '../document/apply.ts'
import type { Beginning } from '../document/document.ts'
import { filmOf } from '../document/film-scenes.ts'
import { Item } from '../pictures/item.ts'
import type { Transition } from '../style/transition.ts'
import { timeline } from '../timeline/timeline.ts'
import { filmShots } from './shots.ts'

const SECONDS = 4
const FPS = 25
const clip = (id: string) => Item.parse({ id, kind: 'clip', title: id, seconds: 60 })

/** Three sentences of four seconds and their pictures a, b and c. */
function shotsOf(begins: Beginning['how'], transition?: Transition) {
  const document = ['a', 'b', 'c'].reduce(
    (now, id, n) =>
      apply(now, { type: 'setShot', sceneId: `s${n + 1}`, shot: 0, item: clip(id) }).document,
    documentFrom('T', 'It turns here. Why is that? It turns again.'),
  )
  const held = apply(document, { type: 'adjustScenes', target: ['s2'], set: { begins } }).document
  const film = filmOf(
    transition ? apply(held, { type: 'setTransition', transition }).document : held,
  )
  const takes = film.scenes.map(() => ({ samples: SECONDS * 48_000, pauses: [] }))
  const plan = timeline(film, takes, [FPS, 1])
  return { plan, shots: filmShots(plan, () => true) }
}
const named = (shots: ReturnType<typeof shotsOf>['shots']) =>
  shots.map((scene) => scene.map(({ source }) => source.kind === 'clip' && source.item.id))

describe('filmShots', () => {
  it('goes on with a held picture where it was, its span over both scenes', () => {
    const { plan, shots } = shotsOf('hold')
    expect(named(shots)).toEqual([['a'], ['a'], ['c']])
    const [[one], [two], [three]] = shots as [[Run], [Run], [Run]]
    expect([one.first, two.first, three.first]).toEqual([0, one.frames, 0])
    expect([one.span, two.span]).toEqual([plan.scenes[1]!.endFrame, plan.scenes[1]!.endFrame])
    expect(one.source).toBe(two.source)
  })
  it('lets the held picture give way from where it is by then', () => {
    const { shots } = shotsOf('hold', { kind: 'dissolve', samples: 48_000 })
    const [[one], [two], [three]] = shots as [[Run], [Run], [Run]]
    expect(two.lead).toBeUndefined()
    expect(three.lead!.from).toMatchObject({ first: one.frames + two.frames, frames: FPS })
    expect(one.span).toBe(one.frames + two.frames + FPS)
  })
  it('begins an early picture in the scene before and goes on with it in its own', () => {
    const { plan, shots } = shotsOf('early')
    expect(named(shots)).toEqual([['a', 'b'], ['b'], ['c']])
    const [[, early], [own]] = shots as [[Run, Run], [Run], [Run]]
    expect(own.first).toBe(early.frames)
    expect(own.span).toBe(early.frames + own.frames)
    expect(plan.scenes[1]!.shots[0]!.standing).toBe('on')
  })
})
type Run = ReturnType<typeof shotsOf>['shots'][number][number]
