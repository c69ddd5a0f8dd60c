import { ChangeSet, Text } from '@codemirror/state'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { spliceOf } from './splice.ts'

describe('spliceOf', () => {
  const applied = (now: string, next: string) =>
    ChangeSet.of(spliceOf(now, next), now.length)
      .apply(Text.of(now.split('\n')))
      .toString()
  it('makes the next text of any other, as the editor carries changes out', () => {
    const text = fc.string({ unit: fc.constantFrom('a', 'b', '\n', ' '), maxLength: 30 })
    fc.assert(
      fc.property(text, text, (now, next) => {
        expect(applied(now, next)).toBe(next)
      }),
    )
  })
  it('touches no more than what differs', () =>
    expect(spliceOf('The old lamp burns.', 'The new lamp burns.')).toEqual({
      from: 4,
      to: 7,
      insert: 'new',
    }))
})
