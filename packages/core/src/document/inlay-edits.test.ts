import { describe, expect, it } from 'vitest'
import { INLAYS_LIMIT, PLAIN_INLAY } from '../pictures/inlay.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { apply, documentFrom } from './apply.ts'
import type { Command } from './command.ts'
import { type Document, Document as Schema, upgraded } from './document.ts'
import { filmOf } from './film-scenes.ts'
import { copiedScenes } from './scene-edits.ts'

const item = (id: string): ChosenItem => ({
  ...{ id, kind: 'photo', title: id, seconds: null, width: 40, height: 30 },
  ...{ source: 'x', licence: 'x', author: 'x' },
})
const inlay = (id: string, word?: number) => ({
  ...PLAIN_INLAY,
  item: item(id),
  ...(word === undefined ? {} : { word }),
})
const run = (document: Document, command: Command) => apply(document, command).document
const laid = (document: Document) =>
  document.scenes.map(({ inlays = [] }) => inlays.map(({ item: { id }, word }) => [id, word ?? 0]))

/** "The lamp burns all night." with a picture from its beginning and one from "all". */
const START = run(documentFrom('T', 'The lamp burns all night. The sea is calm.'), {
  type: 'adjustScenes',
  target: ['s1'],
  set: { inlays: [inlay('a'), inlay('b', 3)] },
})

describe('pictures laid over a scene', () => {
  it('go with their words where the scene is parted, and come back where it is joined', () => {
    const at = 'The lamp '.length
    const parted = run(START, { type: 'splitScene', sceneId: 's1', at })
    expect(laid(parted)).toEqual([[['a', 0]], [['b', 1]], []])
    expect(laid(run(parted, { type: 'mergeScene', sceneId: 's1' }))).toEqual(laid(START).slice())
  })
  it('are no more than there may be where two scenes are joined', () => {
    const full = run(START, {
      type: 'adjustScenes',
      target: 'all',
      set: { inlays: Array.from({ length: INLAYS_LIMIT }, (_, i) => inlay(`x${i}`)) },
    })
    const [joined] = run(full, { type: 'mergeScene', sceneId: 's1' }).scenes
    expect(joined?.inlays).toHaveLength(INLAYS_LIMIT)
  })
  it('are copied with their scene, to this film and to another', () => {
    const other = documentFrom('Other', 'A ship goes by.')
    const scenes = copiedScenes(START, ['s1'])
    const pasted = run(other, { type: 'insertScenes', place: 'end', scenes })
    expect(laid(pasted)).toEqual([
      [],
      [
        ['a', 0],
        ['b', 3],
      ],
    ])
    expect(laid(run(START, { type: 'duplicateScenes', sceneIds: ['s1'] }))[1]).toEqual(
      laid(START)[0],
    )
  })
  it('are taken away by null, and come back with what leads back', () => {
    const { document, inverse } = apply(START, {
      type: 'adjustScenes',
      target: ['s1'],
      set: { inlays: null },
    })
    expect(document.scenes[0]).not.toHaveProperty('inlays')
    expect(laid(run(document, { type: 'takeBack', inverse }))).toEqual(laid(START))
  })
  it('are in the film, and a document of before has none, and no sign', () => {
    expect(filmOf(START).scenes[0]?.inlays).toHaveLength(2)
    const { sign: _, ...before } = { ...documentFrom('T', 'A lamp.'), version: 10 }
    expect(Schema.parse(upgraded(before))).toMatchObject({ version: 15, sign: null })
  })
})
