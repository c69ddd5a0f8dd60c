import { describe, expect, it } from 'vitest'
import { mergeScripts } from './merge-scripts.ts'

const base = 'One.\n\nTwo.\n\nThree.'

describe('mergeScripts', () => {
  it.each([
    [
      'One, changed.\n\nTwo.\n\nThree.',
      'One.\n\nTwo.\n\nThree, changed.',
      'One, changed.\n\nTwo.\n\nThree, changed.',
    ],
    [
      'One.\n\nTwo.\n\nThree.\n\nFour.',
      'Zero.\n\nOne.\n\nTwo.\n\nThree.',
      'Zero.\n\nOne.\n\nTwo.\n\nThree.\n\nFour.',
    ],
    ['One.\n\nThree.', base, 'One.\n\nThree.'],
    ['Same.\n\nTwo.\n\nThree.', 'Same.\n\nTwo.\n\nThree.', 'Same.\n\nTwo.\n\nThree.'],
  ])('takes both changes of %j and %j', (mine, theirs, merged) =>
    expect(mergeScripts(base, mine, theirs)).toBe(merged),
  )
  it('gives up where both changed the same line', () =>
    expect(
      mergeScripts(base, 'One, mine.\n\nTwo.\n\nThree.', 'One, theirs.\n\nTwo.\n\nThree.'),
    ).toBeUndefined())
})
