import fc from 'fast-check'
import { applyPatches } from 'immer'
import { describe, expect, it } from 'vitest'
import { parseScript } from '../script/parse.ts'
import { apply } from './apply.ts'
import { Document, emptyDocument } from './document.ts'

const item = { id: 'a', kind: 'photo' as const, title: 'A', seconds: null, width: 1, height: 1, source: '', licence: '', author: '' }
const start = apply(emptyDocument('T'), { type: 'setScript', script: '# C\nThe lamp burns. [super: 1] The sea is calm. It turns.' }).document

describe('apply', () => {
  it('keeps the picture of a sentence that is edited, and takes scenes out with empty text', () => {
    const { document } = apply(start, { type: 'setShot', sceneId: 's2', shot: 0, item })
    const edited = apply(document, { type: 'editNarration', sceneId: 's2', text: 'The sea is quite calm.' }).document
    expect(edited.scenes[1]).toMatchObject({ id: 's2', text: 'The sea is quite calm.', shots: [{ item, by: 'hand' }] })
    expect(apply(edited, { type: 'editNarration', sceneId: 's1', text: '' }).document.scenes.map(({ id }) => id)).toEqual(['s2', 's3'])
  })
  it('leaves pictures chosen by hand, and scenes whose words changed, alone when matching places its own', () => {
    const { document } = apply(start, { type: 'setShot', sceneId: 's1', shot: 0, item })
    const other = { ...item, id: 'b' }
    const placed = apply(document, { type: 'placeShots', scenes: [{ sceneId: 's1', text: 'The lamp burns.', items: [other] }, { sceneId: 's2', text: 'Something else.', items: [other] }, { sceneId: 's3', text: 'It turns.', items: [other] }] }).document
    expect(placed.scenes.map(({ shots }) => shots[0]?.item?.id)).toEqual(['a', undefined, 'b'])
  })
  it('takes back any change with its inverse and never makes an invalid document', () => {
    const words = fc.array(fc.constantFrom('The lamp.', '# H\n', '\n\n', 'It turns, slowly.', '[pause 1s]', 'Why?', 'A B C.'), { maxLength: 12 }).map((parts) => parts.join(' '))
    fc.assert(fc.property(words, words, (first, second) => {
      const one = apply(start, { type: 'setScript', script: first }).document
      const { document, inverse } = apply(one, { type: 'setScript', script: second })
      expect(applyPatches(document, inverse)).toEqual(one)
      expect(Document.parse(document)).toEqual(document)
      expect(document.scenes.map(({ text }) => text)).toEqual(parseScript(document.script).scenes.map(({ text }) => text))
      expect(new Set(document.scenes.map(({ id }) => id)).size).toBe(document.scenes.length)
    }))
  })
})
