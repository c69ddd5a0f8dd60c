import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mergeTexts } from './merge-texts.ts'
import { changesBetween, placeAfter, withChanges } from './text-changes.ts'
import { sentencesAndSpaces, tokensOf } from './text-tokens.ts'

const base = 'The lamp burns. It turns all night.\n\nThe sea is calm.'

describe('mergeTexts', () => {
  it.each([
    [
      'words of two sentences',
      'The lamp burns low. It turns all night.\n\nThe sea is calm.',
      'The lamp burns. It turns slowly all night.\n\nThe sea is calm.',
      'The lamp burns low. It turns slowly all night.\n\nThe sea is calm.',
    ],
    [
      'two words of one sentence',
      'The old lamp burns. It turns all night.\n\nThe sea is calm.',
      'The lamp burns low. It turns all night.\n\nThe sea is calm.',
      'The old lamp burns low. It turns all night.\n\nThe sea is calm.',
    ],
    [
      'a sentence each, put in at the same place',
      `${base} Ships pass.`,
      `${base} Gulls cry.`,
      `${base} Gulls cry. Ships pass.`,
    ],
    [
      'one changes what the other goes on after',
      'The lamp burns. It turns all day.\n\nThe sea is calm.',
      'The lamp burns. It turns all night. And hums.\n\nThe sea is calm.',
      'The lamp burns. It turns all day. And hums.\n\nThe sea is calm.',
    ],
    [
      'a sentence taken out, another changed',
      'It turns all night.\n\nThe sea is calm.',
      'The lamp burns. It turns all night.\n\nThe sea is rough.',
      'It turns all night.\n\nThe sea is rough.',
    ],
    [
      'the same change on both sides',
      'The lamp burns low. It turns.',
      'The lamp burns low. It turns.',
      'The lamp burns low. It turns.',
    ],
  ])('takes both: %s', (_, mine, theirs, merged) =>
    expect(mergeTexts(base, mine, theirs)).toEqual({ text: merged, conflicts: [] }),
  )
  it('lets both versions stand, a line each, where both changed the same words', () => {
    const { text, conflicts } = mergeTexts(
      base,
      base.replace('all night', 'for an hour'),
      base.replace('all night', 'till dawn'),
    )
    expect(text).toBe(
      'The lamp burns. It turns till dawn.\nIt turns for an hour.\n\nThe sea is calm.',
    )
    expect(
      conflicts.map(({ theirs, mine }) =>
        [theirs, mine].map(({ from, to }) => text.slice(from, to)),
      ),
    ).toEqual([['It turns till dawn.', 'It turns for an hour.']])
  })
  it('keeps the words of who changed a sentence that the other took out', () => {
    const without = base.replace(' It turns all night.', '')
    const changed = base.replace('turns', 'turns round')
    for (const [mine, theirs] of [
      [without, changed],
      [changed, without],
    ] as const) {
      const { text, conflicts } = mergeTexts(base, mine, theirs)
      expect(text).toContain('It turns round all night.')
      expect(conflicts).toHaveLength(1)
    }
  })
  it('does not run sentences that are still being written into each other', () =>
    expect(mergeTexts('A.', 'A. The lamp tur', 'A. The fog com').text).toBe(
      'A. The fog com\nThe lamp tur',
    ))
  it('parts words that nothing parts: another sign of the same sentence is no conflict', () =>
    expect(mergeTexts('海很深。', '大海很深。', '海很深很冷。')).toEqual({
      text: '大海很深很冷。',
      conflicts: [],
    }))
})

/** Words, each of its own, marks and space between them: sentences, paragraphs, unfinished ones. */
const script = fc
  .array(fc.tuple(fc.nat(400), fc.constantFrom(' ', ' ', ' ', '. ', '.\n\n', ', ', '\n')), {
    maxLength: 30,
  })
  .map((parts) => parts.map(([n, space]) => `w${n}${space}`).join(''))

describe('changesBetween', () => {
  it('are what makes of one text the other, in order', () =>
    fc.assert(
      fc.property(script, script, (before, after) => {
        const changes = changesBetween(before, after)
        expect(withChanges(before, changes)).toBe(after)
        changes.forEach(({ from, to }, i) => {
          expect(from).toBeLessThanOrEqual(to)
          if (i) expect(from).toBeGreaterThan(changes[i - 1]!.to)
        })
      }),
    ))
  it('touch nothing but the word that changed', () =>
    expect(changesBetween(base, base.replace('calm', 'rough'))).toEqual([
      { from: base.indexOf('calm'), to: base.indexOf('calm') + 4, insert: 'rough' },
    ]))
  it('compare one word ten thousand times over as one stretch, at once', () =>
    expect(changesBetween('a '.repeat(10_000), `b${' a'.repeat(9_000)}`).length).toBe(1))
})

describe('placeAfter', () => {
  it('goes with the text around it', () => {
    const changes = [
      { from: 2, to: 2, insert: 'xx' },
      { from: 5, to: 8, insert: 'y' },
    ]
    expect([0, 2, 4, 5, 7, 8, 10].map((place) => placeAfter(changes, place, -1))).toEqual([
      0, 2, 6, 7, 7, 8, 10,
    ])
    expect([2, 5, 7, 8].map((place) => placeAfter(changes, place, 1))).toEqual([4, 7, 8, 8])
  })
})

describe('mergeTexts of any two', () => {
  it('loses no word that a side put in', () =>
    fc.assert(
      fc.property(script, script, script, (from, mine, theirs) => {
        const { text } = mergeTexts(from, mine, theirs)
        const words = (of: string) => tokensOf(of).filter((token) => token.startsWith('w'))
        const had = new Set(words(from))
        const has = new Set(words(text))
        for (const word of [...words(mine), ...words(theirs)])
          if (!had.has(word)) expect(has).toContain(word)
      }),
    ))
  it('is what the one side made where the other changed nothing', () =>
    fc.assert(
      fc.property(script, script, (from, other) => {
        expect(mergeTexts(from, other, from)).toEqual({ text: other, conflicts: [] })
        expect(mergeTexts(from, from, other)).toEqual({ text: other, conflicts: [] })
      }),
    ))
})

describe('tokens', () => {
  it('and sentences joined are the text', () =>
    fc.assert(
      fc.property(fc.oneof(script, fc.string({ unit: 'grapheme' })), (text) => {
        expect(tokensOf(text).join('')).toBe(text)
        expect(sentencesAndSpaces(text).join('')).toBe(text)
      }),
    ))
})
