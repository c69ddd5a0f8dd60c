import { describe, expect, it } from 'vitest'
import { documentFrom } from '../document/apply.ts'
import { filmOf } from '../document/film-scenes.ts'
import { ledgerCsv } from '../export/ledger-list.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { licenceFacts, mayBeUsed } from '../pictures/licences.ts'
import { timeline } from '../timeline/timeline.ts'
import { creditOf, ledgerOf, ledgerWarnings } from './ledger.ts'

describe('licenceFacts', () => {
  // Names as packages and providers write them; addresses as Creative Commons gives them
  // (creativecommons.org/licenses, from memory).
  it.each([
    ['CC BY 4.0', 'CC BY 4.0', 'https://creativecommons.org/licenses/by/4.0/', 'credit'],
    ['CC-BY-3.0', 'CC BY 3.0', 'https://creativecommons.org/licenses/by/3.0/', 'credit'],
    ['CC-BY 2.0', 'CC BY 2.0', 'https://creativecommons.org/licenses/by/2.0/', 'credit'],
    ['CC-BY-SA-4.0', 'CC BY-SA 4.0', 'https://creativecommons.org/licenses/by-sa/4.0/', 'share'],
    ['CC BY-SA 3.0', 'CC BY-SA 3.0', 'https://creativecommons.org/licenses/by-sa/3.0/', 'share'],
    [
      'Creative Commons Attribution-ShareAlike 2.5',
      'CC BY-SA 2.5',
      'https://creativecommons.org/licenses/by-sa/2.5/',
      'share',
    ],
    ['CC BY-NC 4.0', 'CC BY-NC 4.0', 'https://creativecommons.org/licenses/by-nc/4.0/', 'refused'],
    [
      'CC BY-NC-SA 4.0',
      'CC BY-NC-SA 4.0',
      'https://creativecommons.org/licenses/by-nc-sa/4.0/',
      'refused',
    ],
    ['CC BY-ND 4.0', 'CC BY-ND 4.0', 'https://creativecommons.org/licenses/by-nd/4.0/', 'refused'],
    ['CC0', 'CC0 1.0', 'https://creativecommons.org/publicdomain/zero/1.0/', 'free'],
    ['CC0-1.0', 'CC0 1.0', 'https://creativecommons.org/publicdomain/zero/1.0/', 'free'],
  ])('reads %s as %s', (said, name, link, use) =>
    expect(licenceFacts(said)).toMatchObject({ name, link, use }),
  )
  it.each([
    ['Public Domain', 'free'],
    ['public domain, US Dept. of Agriculture', 'free'],
    ['Own', 'free'],
    ['Made', 'free'],
    ['MIT (drawing: Fluent Emoji) and Apache-2.0', 'credit'],
    ['Apache-2.0', 'credit'],
    ['GPL-2+', 'share'],
    ['LGPLv3', 'share'],
    ['Editorial use only', 'refused'],
    ['', 'unknown'],
    ['  ', 'unknown'],
    ['see README of the package', 'unknown'],
    ['Ask the harbour office', 'unknown'],
  ])('takes %j for %s', (said, use) => expect(licenceFacts(said).use).toBe(use))
  it('warns of all that is not free or credited, and of nothing else', () => {
    for (const said of [
      'CC BY-NC 4.0',
      'CC BY-ND 4.0',
      'CC BY-SA 4.0',
      'GPL-2+',
      'Editorial use only',
      '',
      'Whatever',
    ])
      expect(licenceFacts(said).warning).toBeTruthy()
    for (const said of ['CC0', 'CC BY 4.0', 'MIT', 'Own', 'Public domain'])
      expect(licenceFacts(said).warning).toBeUndefined()
  })
  it('says what may be used', () =>
    expect(['CC0', 'CC BY-SA 4.0', 'CC BY-NC 4.0', ''].map(mayBeUsed)).toEqual([
      true,
      true,
      false,
      false,
    ]))
})

const item = (id: string, licence: string, more: Partial<ChosenItem> = {}): ChosenItem => ({
  id,
  kind: 'photo',
  title: `A ${id}`,
  seconds: null,
  width: 1920,
  height: 1080,
  source: 'Paper Theatre',
  licence,
  author: 'Two Gulls',
  ...more,
})

describe('creditOf', () => {
  it('names title, author, source and licence with their links, and that it was changed', () => {
    expect(creditOf(item('lamp', 'CC-BY-4.0', { link: 'https://paper.example/lamp' }))).toBe(
      '“A lamp” by Two Gulls, Paper Theatre, https://paper.example/lamp, CC BY 4.0 (https://creativecommons.org/licenses/by/4.0/); cropped and moved',
    )
  })
  it("thanks for what asks for nothing, and names nobody for one's own", () => {
    expect(creditOf(item('lamp', 'CC0', { author: '' }))).toBe(
      '“A lamp”, Paper Theatre, CC0 1.0 (https://creativecommons.org/publicdomain/zero/1.0/)',
    )
    expect(creditOf(item('lamp', 'Own'))).toBe('')
  })
})

describe('ledgerOf', () => {
  const decided = documentFrom('T', 'The lamp burns. It turns. It rests.')
  const items = [
    item('sea', 'CC BY-SA 4.0'),
    item('lamp', 'CC BY-NC 4.0'),
    item('sea', 'CC BY-SA 4.0'),
  ]
  const film = timeline(
    filmOf({
      ...decided,
      scenes: decided.scenes.map((scene, i) => ({
        ...scene,
        shots: [{ item: items[i]!, by: 'match' as const }],
      })),
    }),
    [],
    [30, 1],
  )
  const rows = ledgerOf(film)
  it('has every picture once, with the scenes it is seen in', () => {
    expect(rows.map(({ item: { id }, scenes }) => [id, scenes])).toEqual([
      ['sea', [1, 3]],
      ['lamp', [2]],
    ])
    expect(rows[1]!.firstSample).toBe(film.scenes[1]!.startSample)
  })
  it('warns, of what may not be used first', () => {
    expect(ledgerWarnings(rows).map(({ row, kind }) => [row.item.id, kind])).toEqual([
      ['lamp', 'refused'],
      ['sea', 'share'],
    ])
  })
  it('is written as a table, the date of each with it', () => {
    const lines = ledgerCsv(rows, new Map([['sea', '2026-11-26T06:00:00.000Z']]))
      .trimEnd()
      .split('\r\n')
    expect(lines).toHaveLength(3)
    expect(lines[1]).toContain('2026-11-26T06:00:00.000Z,0:00,1 3,')
    expect(lines[2]).toContain('its licence allows no film that earns money,,0:0')
  })
  it('is empty for a film without pictures', () =>
    expect(ledgerOf(timeline(filmOf(decided), [], [30, 1]))).toEqual([]))
})
