import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from './apply.ts'
import type { Command } from './command.ts'
import { compareDocuments } from './compare.ts'

const start = documentFrom('T', 'One is here. Two is here. Three is here. Four is here.')
const after = (...commands: Command[]) =>
  compareDocuments(
    start,
    commands.reduce((document, command) => apply(document, command).document, start),
  )
const told = (...commands: Command[]) =>
  after(...commands).scenes.map(({ id, changes }) => [id, ...changes].join(' '))

describe('compareDocuments', () => {
  it('tells nothing of what is the same', () => expect(after()).toEqual({ film: [], scenes: [] }))
  it('tells of words, pictures and settings, scene by scene', () => {
    expect(
      told(
        { type: 'editNarration', sceneId: 's2', text: 'Two was here.' },
        { type: 'setShot', sceneId: 's2', shot: 0, item: null },
        { type: 'adjustScenes', target: ['s4'], set: { hidden: true, speaker: 'ANN' } },
      ),
    ).toEqual(['s2 words pictures', 's4 left out speaker'])
  })
  it('shows scenes put in and taken out in their places', () => {
    const { scenes } = after(
      { type: 'deleteScenes', sceneIds: ['s2'] },
      {
        type: 'insertScenes',
        place: { before: 's1' },
        scenes: [{ script: 'Zero.', speaker: '', shots: [] }],
      },
    )
    expect(
      scenes.map(({ id, before, after: now }) => [id, before?.number ?? null, now?.number ?? null]),
    ).toEqual([
      ['s5', null, 1],
      ['s2', 2, null],
    ])
  })
  it('calls the one that moved moved, not those it passed', () =>
    expect(told({ type: 'moveScenes', sceneIds: ['s1'], place: 'end' })).toEqual(['s1 moved']))
  it('tells of the film as a whole', () =>
    expect(after({ type: 'setMood', mood: 'none' }, { type: 'setTitle', title: 'B' }).film).toEqual(
      ['title', 'music'],
    ))
})
