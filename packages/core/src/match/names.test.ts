import { describe, expect, it } from 'vitest'
import { namedWorlds, namesInTitle, strangeness } from './names.ts'

const scene = (text: string, chapter = 0, chapterTitle = '') => ({
  text,
  chapter,
  chapterTitle,
  seconds: 4,
})

describe('namesInTitle', () => {
  it.each([
    ['Medieval walls of Carcassonne', ['carcassonne']],
    ['The harbour of Old Lisbon at dusk', ['old', 'lisbon']],
    ['A lighthouse on its rocks', []],
    ['A Lighthouse At Dusk', []],
    ['Statue of Liberty', []],
    ['', []],
    ['Boats. They wait', []],
  ])('of "%s"', (title, names) => expect(namesInTitle(title)).toEqual(names))
})

describe('strangeness', () => {
  const [there, elsewhere, plain] = namedWorlds([
    scene('The walls stand above Carcassonne.', 0),
    scene('The gate of Trier is black.', 1),
    scene('A wall keeps the wind out.', 2),
  ]) as [never, never, never]
  it('lets a picture pass that is named after what the chapter speaks of', () =>
    expect(strangeness(['carcassonne'], there)).toBe(1))
  it('turns from one named after something else, the more where the chapter names things itself', () => {
    expect(strangeness(['carcassonne'], elsewhere)).toBeLessThan(
      strangeness(['carcassonne'], plain),
    )
    expect(strangeness(['carcassonne'], plain)).toBeLessThan(1)
  })
  it('says nothing of pictures without a name', () =>
    expect([there, elsewhere, plain].map((world) => strangeness([], world))).toEqual([1, 1, 1]))
  it('knows a name from the heading, and one that opens a sentence', () => {
    const [one, two] = namedWorlds([
      scene('It stands there.', 0, 'Petra'),
      scene('Petra is old.', 1),
    ])
    expect([strangeness(['petra'], one!), strangeness(['petra'], two!)]).toEqual([1, 1])
  })
})
