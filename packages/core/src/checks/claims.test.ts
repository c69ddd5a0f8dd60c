import { describe, expect, it } from 'vitest'
import { parseScript } from '../script/parse.ts'
import { checkedAs } from './claim.ts'
import { claimsOf } from './claims.ts'

const claims = (script: string) => claimsOf(script, parseScript(script))
const listed = (script: string) => claims(script).map(({ kind, words }) => `${kind}: ${words}`)

// What a checker of facts would underline (common practice): figures, dates, names, superlatives,
// causes.
describe('claimsOf', () => {
  it.each<[string, string[]]>([
    ['In 1822 an engineer in France bent nearly all of it.', ['date: 1822', 'name: France']],
    ['It weighs 5 tonnes and cost £41,000.', ['number: 5 tonnes', 'number: £41,000']],
    ['It opened on 3 May 1869.', ['date: 3 May 1869']],
    [
      'Two hundred years later, thirty-five per cent of it was left.',
      ['number: Two hundred years', 'number: thirty-five per cent'],
    ],
    ['It is the oldest lighthouse in the world.', ['superlative: the oldest lighthouse in']],
    ['The tide turns because the Moon pulls.', ['cause: because']],
    ['The 1890s were stormy.', ['date: 1890s']],
    [
      'They called it the Eddystone light, and Henry Vane built it.',
      ['name: Eddystone', 'name: Henry Vane'],
    ],
    ['It is twice as heavy as water.', ['number: twice as heavy as water']],
    ['The lamp burns. It is very bright.', []],
    ['Think of a forest. Forests are quiet.', []],
    ['One of them was honest and modest.', []],
  ])('of %j', (script, expected) => expect(listed(script)).toEqual(expected))
  it('gives each its whole sentence, its place in the script and its scene', () => {
    const script = '# 1900\n\nIt burns. [super: 1859] In 1822,\nit was lit. [pause 2s]'
    const [claim] = claims(script)
    expect(claims(script)).toHaveLength(1)
    expect(claim).toMatchObject({ sentence: 'In 1822, it was lit.', scene: 1 })
    expect(script.slice(claim!.from, claim!.to)).toBe('1822')
  })
  it('knows what was found out until the sentence changes', () => {
    const known = [
      {
        sentence: 'It was lit in 1822.',
        words: '1822',
        mark: 'checked' as const,
        source: 'Harbour Board',
        by: 'Ann',
      },
    ]
    expect(checkedAs(claims('It was lit in 1822.')[0]!, known)?.source).toBe('Harbour Board')
    expect(checkedAs(claims('It was lit in 1823.')[0]!, known)).toBeUndefined()
  })
})
