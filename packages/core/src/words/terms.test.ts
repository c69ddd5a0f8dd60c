import { describe, expect, it } from 'vitest'
import { isAction, isNoun, termsOf } from './terms.ts'

const deeds = (text: string) => termsOf(text).flatMap((term) => (isAction(term) ? [term.text] : []))

describe('termsOf', () => {
  it.each([
    ['The crew ducks under the boom.', ['ducks']],
    ['A flag on the quay shows where the wind comes from.', ['shows', 'comes']],
    ['While the city sleeps, lorries arrive.', ['sleeps', 'arrive']],
    ['Then the alarm rings, and nobody moves.', ['rings', 'moves']],
    ['The keeper climbs the stairs.', ['climbs']],
    ['The shop windows of the city are dark.', []],
    ['The tree trunks lie in the yard.', []],
  ])('takes what one does for a deed, and many things for things: %s', (text, does) => {
    const found = deeds(text)
    for (const deed of does) expect(found).toContain(deed)
    if (!does.length) {
      const [, , many] = termsOf(text)
      expect(isNoun(many!)).toBe(true)
    }
  })
})
