import { describe, expect, it } from 'vitest'
import { passes, PictureFilter } from './filter.ts'
import { Item } from './item.ts'

const item = (more: Partial<Item> = {}) =>
  Item.parse({
    id: 'x',
    kind: 'clip',
    title: 'A harbour',
    width: 1920,
    height: 1080,
    seconds: 6,
    source: 'Paper Theatre',
    licence: 'CC BY 4.0',
    ...more,
  })
const look = { hash: '0'.repeat(16), colours: ['blue' as const], sharpness: 90 }

describe('passes', () => {
  it('lets everything pass that nobody asked about', () => expect(passes(item(), {})).toBe(true))
  it.each<[PictureFilter, Partial<Item>, boolean]>([
    [{ kind: 'photo' }, {}, false],
    [{ kind: 'clip' }, {}, true],
    [{ kind: 'made' }, { id: 'made-1' }, true],
    [{ kind: 'made' }, {}, false],
    [{ orientation: 'portrait' }, {}, false],
    [{ size: 'hd' }, {}, true],
    [{ size: 'hd' }, { width: 1080, height: 607 }, false],
    [{ size: 'large' }, {}, false],
    [{ seconds: 8 }, {}, false],
    [{ seconds: 5 }, {}, true],
    [{ seconds: 8 }, { kind: 'photo', seconds: null }, true],
    [{ origin: 'own' }, { id: 'own-1' }, true],
    [{ origin: 'own' }, {}, false],
    [{ source: 'paper' }, {}, true],
    [{ source: 'prints' }, {}, false],
    [{ licence: 'free' }, {}, false],
    [{ licence: 'credit' }, {}, true],
    [{ licence: 'usable' }, { licence: 'CC BY-SA 4.0' }, true],
    [{ licence: 'usable' }, { licence: '' }, false],
    [{ people: 'with' }, { title: 'A fisherman' }, true],
    [{ people: 'without' }, { title: 'A fisherman' }, false],
    [{ colour: 'blue' }, {}, true],
    [{ colour: 'red' }, {}, false],
  ])('%j, of a picture with %j: %s', (filter, more, expected) =>
    expect(passes(item(more), filter, look)).toBe(expected),
  )
  it('has no colour before somebody looked', () =>
    expect(passes(item(), { colour: 'blue' })).toBe(false))
})
