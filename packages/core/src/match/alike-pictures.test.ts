import { describe, expect, it } from 'vitest'
import { alikePictures } from './alike-pictures.ts'

const film = (...titles: (string | null)[]) =>
  titles.map((title, scene) => ({
    scene,
    item: title === null ? null : { id: title, title: title.replace(/#\d/, '') },
  }))

describe('alikePictures', () => {
  it('joins a picture to where it is shown again, and to one that shows the same at another hour', () => {
    expect(
      alikePictures(film('A lighthouse at dawn', 'A cow', 'A lighthouse by night', 'A cow')),
    ).toEqual([
      { a: 0, b: 2, kind: 'alike' },
      { a: 1, b: 3, kind: 'same' },
    ])
  })
  it('joins each to the nearest only', () =>
    expect(
      alikePictures(film('A lamp#1', 'A lamp#2', 'A lamp#3')).map(({ a, b }) => [a, b]),
    ).toEqual([
      [0, 1],
      [1, 2],
    ]))
  it('lets far ones, cards and different things be', () => {
    const far = [...film('A lamp'), { scene: 40, item: { id: 'A lamp', title: 'A lamp' } }]
    expect(alikePictures(far)).toEqual([])
    expect(alikePictures(film('A lamp', null, 'A ship at sea', 'Sea and rock'))).toEqual([])
  })
  it('takes two for alike that look the same, whatever they are called', () => {
    const hashes: Record<string, string> = {
      'A lamp': '00000000000000ff',
      'By the sea': '000000000000003f',
      'A ship': 'ffff000000000000',
    }
    const titled = film('A lamp', 'By the sea', 'A ship')
    expect(
      alikePictures(
        titled,
        (id) =>
          Object.entries(hashes).find(
            ([title]) => titled.find(({ item }) => item?.id === id)?.item?.title === title,
          )?.[1],
      ),
    ).toEqual([{ a: 0, b: 1, kind: 'alike' }])
  })
})
