import { readFile, stat } from 'node:fs/promises'
import { basename } from 'node:path'
import { TidyError } from '@tidy-reel/core/fault'
import { cleanScript } from '@tidy-reel/core/script/clean'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf, type Film } from '@tidy-reel/core/document/film-scenes'

const SCRIPT_BYTES_LIMIT = 4_000_000

/** @throws TidyError `file_not_found`, `script_too_large`, `script_not_text` */
export async function readScript(file: string): Promise<string> {
  const facts = await stat(file).catch(() => undefined)
  if (!facts?.isFile()) throw new TidyError('file_not_found', { name: file })
  if (facts.size > SCRIPT_BYTES_LIMIT) throw new TidyError('script_too_large', { characters: facts.size, limit: SCRIPT_BYTES_LIMIT })
  return cleanScript((await readFile(file)).toString('utf8'), basename(file))
}

/** The film a script makes; what was left unread is told on standard error. */
export async function filmFromFile(file: string): Promise<Film> {
  const script = await readScript(file)
  if (!script.trim()) throw new TidyError('script_empty')
  const film = filmOf(documentFrom(basename(file), script))
  for (const remark of film.remarks) process.stderr.write(`${remark}\n`)
  return film
}
