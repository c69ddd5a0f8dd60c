import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { Item } from './item.ts'
import { type ListedPicture, pictureList, readPictureList } from './picture-list.ts'

const listed = (item: object, more: Partial<ListedPicture> = {}): ListedPicture => ({
  item: Item.parse({ id: 'own-1', kind: 'photo', title: 'A harbour', ...item }),
  fileName: 'IMG_1.jpg',
  people: false,
  favourite: false,
  collections: [],
  ...more,
})

describe('readPictureList', () => {
  it('reads what spreadsheets and other programs call the columns', () => {
    expect(
      readPictureList(
        'File name;Headline;Caption;Keywords;By-line;Usage Terms;People\nSeaside/IMG_1.jpg;Old harbour;"Boats; at low tide";boats, quay;Ann;CC BY 4.0;no\n',
        'a.csv',
      ).notes,
    ).toEqual([
      {
        file: 'IMG_1.jpg',
        title: 'Old harbour',
        description: 'Boats; at low tide',
        tags: ['boats', 'quay'],
        author: 'Ann',
        licence: 'CC BY 4.0',
        people: false,
      },
    ])
  })
  it('reads JSON, as a list or inside an object, with lists of words', () => {
    const rows = [
      { filename: 'a.jpg', keywords: ['rope', 'rope', 'knot', ''] },
      { id: 'own-2', title: 'Knots' },
    ]
    const notes = [
      { file: 'a.jpg', tags: ['rope', 'knot'] },
      { id: 'own-2', title: 'Knots' },
    ]
    expect(readPictureList(JSON.stringify(rows), 'a.json').notes).toEqual(notes)
    expect(
      readPictureList(JSON.stringify({ made: 'today', pictures: rows }), 'a.json').notes,
    ).toEqual(notes)
  })
  it('leaves rows out that name no picture or say nothing, and tells which', () => {
    const { notes, skipped } = readPictureList('file,title\na.jpg,Rope\n,Knot\nb.jpg,\n', 'a.csv')
    expect(notes).toHaveLength(1)
    expect(skipped).toEqual([
      { row: 2, reason: 'no file is named' },
      { row: 3, reason: 'nothing is said of the picture' },
    ])
  })
  it.each([
    ['', 'cannot be told apart'],
    ['file\na.jpg', 'cannot be told apart'],
    ['a,b\n1,2', 'no file is named'],
    ['{"pictures": [{"file"', 'not JSON to its end'],
    ['{"a": 1}', 'no list'],
    ['[]', 'empty'],
    [`file,title\n${'a.jpg,b\n'.repeat(100_001)}`, '100001 rows'],
  ])('refuses what is no such list with a sentence', (text, reason) => {
    expect(() => readPictureList(text, 'a.csv')).toThrow(
      expect.objectContaining({
        code: 'picture_list_unreadable',
        message: expect.stringContaining(reason),
      }),
    )
  })
  it('reads what it can of a row whose values are no text', () =>
    expect(
      readPictureList(
        '[{"file":"a.jpg","title":"Rope","tags":{"toString":false},"people":{"toString":1},"author":["Ann"]}]',
        'a.json',
      ).notes,
    ).toEqual([{ file: 'a.jpg', title: 'Rope' }]))
  it('takes any text for any column without falling over', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            file: fc.anything(),
            title: fc.anything(),
            tags: fc.anything(),
            people: fc.anything(),
          }),
        ),
        (rows) => {
          try {
            for (const { file, id } of readPictureList(JSON.stringify(rows), 'a.json').notes)
              expect(file ?? id).toBeTruthy()
          } catch (cause) {
            expect(cause).toMatchObject({ code: 'picture_list_unreadable' })
          }
        },
      ),
      { numRuns: 500 },
    ))
})

describe('pictureList', () => {
  it('is what readPictureList reads back, formulas and line breaks and all', () => {
    const text = fc
      .string({ minLength: 1, maxLength: 30 })
      .map((s) =>
        s
          .replace(/[\p{Cc}\s]+/gu, ' ')
          .replace(/^['\s]+/, '')
          .trim(),
      )
      .filter(Boolean)
    fc.assert(
      fc.property(text, text, (title, description) => {
        const [note] = readPictureList(
          pictureList([listed({ title, description, tags: ['quay', 'rope'] })]),
          'a.csv',
        ).notes
        expect(note).toEqual({
          id: 'own-1',
          title,
          description,
          tags: ['quay', 'rope'],
          people: false,
        })
      }),
    )
  })
  it('has a row a picture that the reference library "papaparse" reads', () => {
    const { data, errors } = Papa.parse<Record<string, string>>(
      pictureList([
        listed({ title: '=1+1' }, { favourite: true, collections: ['Seaside', 'Ropes'] }),
      ]),
      { header: true, skipEmptyLines: true },
    )
    expect(errors).toEqual([])
    expect(data).toEqual([
      expect.objectContaining({
        id: 'own-1',
        file: 'IMG_1.jpg',
        title: "'=1+1",
        favourite: 'yes',
        collections: 'Seaside; Ropes',
      }),
    ])
  })
})
