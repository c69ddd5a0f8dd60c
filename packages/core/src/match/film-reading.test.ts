import { describe, expect, it } from 'vitest'
import { emptyLexicon } from '../words/lexicon.ts'
import { readFilm } from './film-reading.ts'
import type { SceneToMatch } from './scene-to-match.ts'

const film = (...texts: (string | Partial<SceneToMatch>)[]): SceneToMatch[] =>
  texts.map((each) => ({
    text: '',
    chapter: 0,
    seconds: 4,
    ...(typeof each === 'string' ? { text: each } : each),
  }))
const read = (scenes: SceneToMatch[], title = '') => readFilm(scenes, title, emptyLexicon)
const heaviest = (words: ReadonlyMap<string, number>) =>
  [...words].sort((a, b) => b[1] - a[1])[0]?.[0]

describe('readFilm', () => {
  it('takes what returns for what a film is about, the heaviest at 1', () => {
    const { subject } = read(
      film('The lock fills.', 'A boat waits below the lock.', 'The lock has two gates.'),
    )
    expect(heaviest(subject)).toBe('lock')
    expect(subject.get('lock')).toBe(1)
    for (const weight of subject.values()) expect(weight).toBeLessThanOrEqual(1)
  })
  it('minds the title more than what is said once', () =>
    expect(heaviest(read(film('A boat waits.', 'Rain falls.'), 'The canal').subject)).toBe('canal'))
  it('tells for each chapter what it is about, its heading read too', () => {
    const { scenes } = read(
      film(
        { text: 'The boat waits.', chapterTitle: 'Gates' },
        { text: 'Dough rises.', chapter: 1, chapterTitle: 'The oven' },
      ),
    )
    expect([...scenes[0]!.chapter.keys()]).toEqual(expect.arrayContaining(['boat', 'gate']))
    expect([...scenes[1]!.chapter.keys()]).toEqual(expect.arrayContaining(['oven', 'dough']))
    expect(scenes[1]!.chapter.has('boat')).toBe(false)
  })
  it.each([
    ['one thing by its subject', ['The lamp burns all night.', 'It needs no oil.'], 'lamp'],
    ['many by what is many', ['The keeper trims the lamps.', 'They burn all night.'], 'lamp'],
    [
      'what was carried on',
      ['The lamp burns all night.', 'It needs no oil.', 'It is never put out.'],
      'lamp',
    ],
  ])('lets a pronoun stand for %s', (_name, texts, thing) =>
    expect(
      read(film(...texts))
        .scenes.at(-1)!
        .standing.map(({ text }) => text),
    ).toContain(thing),
  )
  it('leaves a pronoun alone that has nothing to stand for, and where a direction says what to show', () => {
    expect(read(film('It was long ago.')).scenes[0]!.standing).toEqual([])
    expect(
      read(film('The lamp burns.', { text: 'It needs oil.', picture: 'an oil can' })).scenes[1],
    ).toMatchObject({ standing: [], need: 0 })
  })
  it('says how little a sentence can show: nothing at all to enough', () => {
    const [nothing, enough] = read(
      film('Nobody knows why.', 'The lighthouse stands on a rock.'),
    ).scenes
    expect(nothing!.need).toBe(1)
    expect(enough!.need).toBe(0)
  })
  it('counts a common word that returns like a rare one', () => {
    const common = { ...emptyLexicon, frequency: (word: string) => (word === 'water' ? 6 : 3) }
    const weight = (texts: string[]) =>
      readFilm(film(...texts), '', common).scenes[0]!.words.find(({ text }) => text === 'water')!
        .weight
    expect(
      weight(['The water rises.', 'The water falls.', 'The water waits.', 'The water turns.']),
    ).toBeGreaterThan(
      weight(['The water rises.', 'A gate falls.', 'A boat waits.', 'A wheel turns.']),
    )
  })
  it('reads nothing out of nothing', () =>
    expect(read([])).toMatchObject({ scenes: [], title: [] }))
})
