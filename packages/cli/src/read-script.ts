import { readFile, stat } from 'node:fs/promises'
import { basename } from 'node:path'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { type Film, filmOf } from '@tidy-reel/core/document/film-scenes'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { importFile } from '@tidy-reel/engine/import/import-file'
import { IMPORT_BYTES_LIMIT, importTooLarge } from '@tidy-reel/engine/import/import-limit'

/**
 * The script of a file of any kind that can be imported; what was left out is told on standard
 * error.
 *
 * @throws TidyError `file_not_found`, `file_not_readable` and what `importFile` throws
 */
export async function readScript(file: string): Promise<string> {
  const facts = await stat(file).catch(() => undefined)
  if (!facts?.isFile()) throw new TidyError('file_not_found', { name: file })
  if (facts.size > IMPORT_BYTES_LIMIT) throw importTooLarge(basename(file), facts.size)
  const { script, left } = await importFile(await readBytes(file), basename(file))
  for (const remark of left) process.stderr.write(`${remark}\n`)
  return script
}

/** @throws TidyError `file_not_found`, `file_not_readable` */
export async function readBytes(file: string): Promise<Buffer> {
  return readFile(file).catch((cause: unknown) => {
    const { code = '' } = cause as NodeJS.ErrnoException
    if (['ENOENT', 'ENOTDIR', 'EISDIR'].includes(code))
      throw new TidyError('file_not_found', { name: file })
    throw new TidyError('file_not_readable', { name: file })
  })
}

/** The film a script makes; what was left unread is told on standard error. */
export async function filmFromFile(file: string): Promise<Film> {
  const script = await readScript(file)
  if (!script.trim()) throw new TidyError('script_empty')
  const film = filmOf(documentFrom(basename(file), script))
  for (const remark of film.remarks) process.stderr.write(`${remark}\n`)
  if (!film.scenes.length) throw new TidyError('script_nothing_spoken')
  return film
}
