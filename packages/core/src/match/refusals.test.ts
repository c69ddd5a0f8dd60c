import { describe, expect, it } from 'vitest'
import type { Refusal } from '../document/document.ts'
import { Item } from '../pictures/item.ts'
import { emptyLexicon } from '../words/lexicon.ts'
import { samenessIn } from './likeness.ts'
import { pictureIndex } from './picture-index.ts'
import { keptAfterRefusals } from './refusals.ts'

const photo = (id: string, title: string, author = 'Ann') =>
  Item.parse({
    id,
    kind: 'photo',
    title,
    tags: title.toLowerCase().split(' '),
    author,
    source: 'Stock',
  })
const items = [
  photo('bat', 'Baseball bat ball'),
  photo('bat2', 'Baseball bat ball field'),
  photo('cave', 'Bats in a cave', 'Ben'),
  photo('keeper', 'A man at a lamp', 'Cem'),
  photo('sea', 'Sea and rock', 'Ann'),
]
const index = pictureIndex(items, emptyLexicon)
const kept = (refusal: Omit<Refusal, 'item'> & { id: string }, text: string, words: string[]) => {
  const { id, ...rest } = refusal
  return [
    ...keptAfterRefusals(
      index,
      [{ ...rest, item: items.find((item) => item.id === id)! }],
      samenessIn(index),
    )({ text, words }),
  ]
}
const wrong = {
  id: 'bat',
  reason: 'sense' as const,
  sentence: 'The bats come out.',
  words: ['bat'],
}

describe('keptAfterRefusals', () => {
  it('leaves out what means something else wherever the same word is said, and holds what is alike against it', () => {
    const here = kept(wrong, 'A bat flies.', ['bat'])
    expect(here[0]).toBe(0)
    expect(here[1]).toBeLessThan(0.5)
    expect(here.slice(2)).toEqual([1, 1, 1])
  })
  it('lets it be where something else is said', () =>
    expect(kept(wrong, 'A boy plays with a ball.', ['ball'])).toEqual([1, 1, 1, 1, 1]))
  it('leaves out what is ugly or seen too often everywhere', () => {
    expect(kept({ ...wrong, reason: 'seen' }, 'The sea.', ['sea'])).toEqual([0, 1, 1, 1, 1])
    const ugly = kept({ ...wrong, reason: 'ugly' }, 'The sea.', ['sea'])
    expect(ugly[0]).toBe(0)
    expect(ugly[4]).toBeLessThan(1)
    expect(ugly[2]).toBe(1)
  })
  it('holds people against pictures when they were not wanted', () =>
    expect(
      kept({ ...wrong, reason: 'people' }, 'The lamp.', ['lamp']).map((value) => value === 1),
    ).toEqual([false, true, true, false, true]))
  it('has nothing against anything where nothing was turned down', () =>
    expect([...keptAfterRefusals(index, [], samenessIn(index))({ text: '', words: [] })]).toEqual([
      1, 1, 1, 1, 1,
    ]))
})
