import { describe, expect, it } from 'vitest'
import { commandWords } from './command-words.ts'

describe('commandWords', () => {
  it('gives back what a person wrote, and no ids or settings', () => {
    expect(commandWords({ type: 'setScript', script: 'It burns.\nIt turns.' })).toBe(
      'It burns.\nIt turns.',
    )
    expect(
      commandWords({
        type: 'putComment',
        comment: { id: 'c1', on: 'It burns.', text: 'Does it?', by: 'A', done: false },
      }),
    ).toBe('It burns.\nDoes it?')
    expect(commandWords({ type: 'setMood', mood: 'calm' })).toBe('')
    expect(commandWords({ type: 'deleteScenes', sceneIds: ['s1'] })).toBe('')
  })
})
