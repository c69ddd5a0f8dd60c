import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { filmFindings } from '@tidy-reel/core/export/check/film-findings'
import { TOLD_FILES, type ToldFiles, toldFilm } from '@tidy-reel/core/export/check/told-film'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { FilmFinding } from '@tidy-reel/core/render/film-finding'
import { measuredFilm } from './measured-film.ts'

/**
 * Checks a folder that a film was made into: the film against what the files beside it tell.
 *
 * @param known `holes` of its picture, where they are known
 * @returns what is wrong or should be looked at; `[]` for a film that is what it should be
 * @throws TidyError `film_folder_unusable` with the file that is missing or cannot be read
 */
export async function checkFolder(
  folder: string,
  known: Parameters<typeof measuredFilm>[1] = {},
): Promise<FilmFinding[]> {
  const texts = await Promise.all(
    TOLD_FILES.map(async (name) => [name, await textOf(folder, name)] as const),
  )
  const told = toldFilm(Object.fromEntries(texts) as ToldFiles)
  return filmFindings(told, await measuredFilm(join(folder, 'film.mp4'), known))
}

async function textOf(folder: string, name: string): Promise<string> {
  return readFile(join(folder, name), 'utf8').catch(() => {
    throw new TidyError('film_folder_unusable', { file: name, reason: 'it is not there' })
  })
}
