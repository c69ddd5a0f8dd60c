import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from './apply.ts'

const SCRIPT =
  'The sea is calm today. [sound: gulls] Birds cry [sound: bell, low] over the harbour.'
const document = documentFrom('Harbour', SCRIPT)
const ids = document.scenes.map(({ id }) => id)
const run = (command: object) =>
  apply(document, { type: 'setSound', sceneId: ids[1]!, ...command } as never).document.script

describe('setSound', () => {
  it('writes a new one before the word it is given', () => {
    expect(run({ text: 'waves', to: { sceneId: ids[0]!, word: 2 } })).toBe(
      'The sea [sound: waves] is calm today. [sound: gulls] Birds cry [sound: bell, low] over the harbour.',
    )
  })
  it('changes one where it stands and leaves the others', () => {
    expect(run({ index: 1, text: 'bell, loud' })).toBe(
      'The sea is calm today. [sound: gulls] Birds cry [sound: bell, loud] over the harbour.',
    )
  })
  it('moves one to another scene, at the latest before its last word', () => {
    expect(run({ index: 0, text: 'gulls', to: { sceneId: ids[0]!, word: 99 } })).toBe(
      'The sea is calm [sound: gulls] today. Birds cry [sound: bell, low] over the harbour.',
    )
  })
  it('takes one out, and does nothing for one that is not there', () => {
    expect(run({ index: 0, text: null })).toBe(
      'The sea is calm today. Birds cry [sound: bell, low] over the harbour.',
    )
    expect(run({ index: 7, text: null })).toBe(SCRIPT)
  })
})
