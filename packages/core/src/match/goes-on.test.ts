import { describe, expect, it } from 'vitest'
import { goesOnInto, isQuestion } from './goes-on.ts'
import type { SceneToMatch } from './scene-to-match.ts'

const scene = (text: string, more: Partial<SceneToMatch> = {}): SceneToMatch => ({
  text,
  chapter: 0,
  seconds: 3,
  ...more,
})
const lamp = scene('The lamp burns.')
const into = (text: string, before = lamp, need = 0) =>
  goesOnInto(before, scene(text), { need }) ?? -Infinity

// What editors do is common practice: a question and its answer share a picture, an aside is held
// over, items of a list are shown one by one.
describe('goesOnInto', () => {
  it('may not be at a beginning, after a card, or where a person wrote what is to be seen', () => {
    const open = [
      goesOnInto(undefined, lamp, { need: 1 }),
      goesOnInto(scene(''), lamp, { need: 1 }),
      goesOnInto(lamp, scene('It turns.', { chapter: 1 }), { need: 1 }),
      goesOnInto(lamp, scene('It turns.', { picture: 'a wheel' }), { need: 1 }),
    ]
    expect(open).toEqual([undefined, undefined, undefined, undefined])
  })
  it('is better after a question and where a sentence shows nothing, worse at the next of a list', () => {
    expect(into('The wind.', scene('Who blew it out?'))).toBeGreaterThan(into('The wind.'))
    expect(into('Nobody knows.', lamp, 1)).toBeGreaterThan(into('Nobody knows.', lamp, 0))
    for (const next of [
      'Then came silk.',
      'Second, the bell.',
      'Number three: a horn.',
      'Finally, oil.',
    ])
      expect(into(next)).toBeLessThan(into('It turns.'))
  })
  it('knows a question in other scripts and quotations', () =>
    expect(['Why?', '“Why?”', '为什么？', 'لماذا؟', 'It asks.'].map(isQuestion)).toEqual([
      true,
      true,
      true,
      true,
      false,
    ]))
})
