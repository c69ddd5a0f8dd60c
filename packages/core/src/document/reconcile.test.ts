import { describe, expect, it } from 'vitest'
import { parseScript } from '../script/parse.ts'
import type { Scene } from './document.ts'
import { reconcile } from './reconcile.ts'

const before = (texts: string[]): Scene[] =>
  texts.map((text, i) => ({ id: `s${i + 1}`, text, shots: [{ item: null, by: 'hand' }] }))
const after = (script: string, scenes: Scene[]) =>
  reconcile(parseScript(script).scenes, scenes, scenes.length + 1)
const ids = (script: string, scenes: Scene[]) => after(script, scenes).scenes.map(({ id }) => id)

const FILM = before([
  'The lamp burns.',
  'The sea is calm.',
  'The keeper sleeps.',
  'Ships pass by night.',
])

describe('reconcile', () => {
  it('keeps all scenes of an unchanged script', () =>
    expect(ids(FILM.map(({ text }) => text).join(' '), FILM)).toEqual(['s1', 's2', 's3', 's4']))
  it('gives a sentence put between others a new id and leaves theirs', () => {
    expect(
      ids(
        'The lamp burns. A gull cries. The sea is calm. The keeper sleeps. Ships pass by night.',
        FILM,
      ),
    ).toEqual(['s1', 's5', 's2', 's3', 's4'])
  })
  it('keeps the id and picture of a sentence edited by a word or two', () => {
    const { scenes } = after(
      'The lamp burns. The sea is quite calm today. The keeper sleeps. Ships pass by night.',
      FILM,
    )
    expect(scenes[1]).toEqual({
      id: 's2',
      text: 'The sea is quite calm today.',
      shots: [{ item: null, by: 'hand' }],
    })
  })
  it('gives another sentence in its place neither its id nor its picture', () => {
    const { scenes } = after(
      'The lamp burns. Bread rises in the oven. The keeper sleeps. Ships pass by night.',
      FILM,
    )
    expect(scenes[1]).toEqual({ id: 's5', text: 'Bread rises in the oven.', shots: [] })
  })
  it('takes a removed sentence out and touches no other', () =>
    expect(ids('The lamp burns. The keeper sleeps. Ships pass by night.', FILM)).toEqual([
      's1',
      's3',
      's4',
    ]))
  it('never gives an id twice, even to sentences that say the same', () => {
    const found = ids('No. No. No. No.', before(['No.', 'Yes.', 'No.']))
    expect(new Set(found).size).toBe(4)
  })
})
