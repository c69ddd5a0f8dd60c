import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from '../document/apply.ts'
import type { Command } from '../document/command.ts'
import { filmOf } from '../document/film-scenes.ts'
import { Item } from '../pictures/item.ts'
import { timeline } from '../timeline/timeline.ts'
import { filmFlags, type FlagFacts } from './flags.ts'

const item = (id: string, seconds = 0) =>
  Item.parse({ id, kind: seconds ? 'clip' : 'photo', title: id, seconds })
const show = (sceneId: string, id: string, shot = 0, seconds = 0): Command => ({
  type: 'setShot',
  sceneId,
  shot,
  item: item(id, seconds),
})
const facts: FlagFacts = {
  spoken: () => true,
  picks: () => [],
  byHand: () => false,
  doubted: () => [],
}
function flagged(commands: Command[], more: Partial<FlagFacts> = {}, seconds = 3): string[] {
  const document = commands.reduce(
    (now, command) => apply(now, command).document,
    documentFrom('T', 'One. Two. Three.'),
  )
  const film = filmOf(document)
  const flags = filmFlags(
    timeline(
      film,
      film.scenes.map(() => ({ samples: seconds * 48_000, pauses: [] })),
      [30, 1],
    ),
    { ...facts, ...more },
  )
  return [...flags].flatMap(([id, list]) => list.map(({ kind }) => `${id} ${kind}`))
}
const all = [show('s1', 'a'), show('s2', 'b'), show('s3', 'c')]

describe('filmFlags', () => {
  it('finds nothing in a sound film', () => expect(flagged(all)).toEqual([]))
  it('names a claim that somebody doubts', () =>
    expect(
      flagged(all, {
        doubted: (id) => (id === 's2' ? [{ scene: 1, words: '1822', mark: 'unsure' }] : []),
      }),
    ).toEqual(['s2 claim']))
  it('finds a scene that speaks too long', () =>
    expect(flagged(all, {}, 15)).toEqual(['s1 long', 's2 long', 's3 long']))
  it('finds pictures that are missing, once they have been looked for', () => {
    expect(flagged(all.slice(0, 2))).toEqual(['s3 missing'])
    expect(flagged(all.slice(0, 2), { picks: () => undefined })).toEqual([])
  })
  it('finds the same picture beside itself, and soon again', () => {
    expect(flagged([show('s1', 'a'), show('s2', 'a'), show('s3', 'b')])).toEqual(['s2 alike'])
    expect(flagged([show('s1', 'a'), show('s2', 'b'), show('s3', 'a')])).toEqual(['s3 again'])
  })
  it('finds neighbours that show the same at another hour', () => {
    expect(
      flagged([
        show('s1', 'Lighthouse on a rock, dawn'),
        show('s2', 'Lighthouse on a rock, night'),
        show('s3', 'c'),
      ]),
    ).toEqual(['s2 alike'])
  })
  it('finds clips that end before their scene, their speed and slip counted', () => {
    const clip = [show('s1', 'a', 0, 3.5), ...all.slice(1)]
    expect(flagged(clip)).toEqual(['s1 short'])
    const fits = [show('s1', 'a', 0, 8), ...all.slice(1)]
    expect(flagged(fits)).toEqual([])
    expect(
      flagged([...fits, { type: 'adjustShots', target: ['s1'], shot: 0, set: { speed: 3 } }]),
    ).toEqual(['s1 short'])
    expect(
      flagged([
        ...fits,
        { type: 'adjustShots', target: ['s1'], shot: 0, set: { slip: 6 * 48_000 } },
      ]),
    ).toEqual(['s1 short'])
  })
  it('finds pictures that flash by, and none that goes on', () => {
    expect(flagged(all, {}, 0.9)).toContain('s2 brief')
    const goesOn: Command = { type: 'adjustScenes', target: ['s2'], set: { begins: 'hold' } }
    expect(flagged([...all, goesOn], {}, 0.9)).toEqual([])
    expect(flagged(all, { byHand: () => true }, 0.9)).toEqual([])
  })
  it('finds weak pictures and silent scenes', () => {
    const weak: FlagFacts['picks'] = () => [
      { item: item('b'), score: 0.1, why: '', sure: 'weak', shows: [] },
    ]
    expect(flagged(all, { picks: weak, spoken: (id) => id !== 's1' })).toEqual([
      's1 silent',
      's2 weak',
    ])
    expect(flagged(all, { picks: weak, byHand: () => true })).toEqual([])
  })
})
