import { describe, expect, it } from 'vitest'
import { emptyDocument } from '../document/document.ts'
import { FILM_FILE_NAMES, trackFile } from './film-files.ts'
import { SAVED_NAME_LIMIT, savedName } from './saved-name.ts'

const made = { shape: { width: 1080, height: 1920 }, createdAt: '2026-12-01T15:20:00.000Z' }
const film = { ...emptyDocument('How tides work'), channel: 'Shorelines' }
const withFiles = (files: string) => ({ ...film, style: { ...film.style, files } })

describe('the name a file of a film is saved under', () => {
  it('is the film’s title, unless the house style says otherwise', () => {
    expect(savedName(film, made, 'film.mp4')).toBe('How tides work')
    expect(
      savedName(withFiles('{date} {channel} - {title} {size}{x}'), made, trackFile('fr', 'srt')),
    ).toBe('2026-12-01 Shorelines - How tides work 1080x1920{x}')
  })
  it('is another one for every file, with its ending', () => {
    const names = FILM_FILE_NAMES.map(
      (file) => `${savedName(film, made, file)}.${file.split('.').slice(1).join('.')}`,
    )
    expect(new Set(names).size).toBe(FILM_FILE_NAMES.length)
  })
  it('is no longer than a disk takes, whole letters only, and still told apart', () => {
    const long = { ...film, title: '🌊'.repeat(200) }
    const name = savedName(long, made, 'shots.csv')
    expect([...name]).toHaveLength(SAVED_NAME_LIMIT)
    expect(name).toMatch(/🌊 shots$/u)
  })
})
