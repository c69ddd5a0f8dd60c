import { writeFile } from 'node:fs/promises'
import { basename } from 'node:path'
import { z } from 'zod'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { Command } from '@tidy-reel/core/document/command'
import { consistent } from '@tidy-reel/core/document/consistent'
import { Document, upgraded } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { readBytes, readScript } from './read-script.ts'
import { written } from './written.ts'

export const nameOf = (file: string) => basename(file).replace(/\.\w+$/, '') || 'film'

/**
 * A JSON file as a schema has it.
 *
 * @param invalid makes the fault of what does not fit, told by its first place
 * @throws TidyError `file_not_found`, or what `invalid` makes
 */
export async function readJson<T>(
  file: string,
  schema: z.ZodType<T>,
  invalid: (reason: string) => TidyError = (reason) =>
    new TidyError('json_invalid', { name: basename(file), reason }),
): Promise<T> {
  const text = (await readBytes(file)).toString()
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw invalid('it is not JSON')
  }
  const read = schema.safeParse(json)
  if (read.success) return read.data
  const { path, message } = itemAt(read.error.issues, 0)
  throw invalid(`${path.join('.') || 'the whole'}: ${message}`)
}

export const readDocument = async (file: string): Promise<Document> =>
  consistent(await readJson(file, StoredDocument))

/** Documents of earlier versions are read as well. */
const StoredDocument = z.preprocess(upgraded, Document)

/** One command or a list of them. */
export const readCommands = async (file: string): Promise<Command[]> =>
  [await readJson(file, z.union([z.array(Command), Command]))].flat()

/** An episode's document, or the one that a script makes. */
export const readDocumentOrScript = async (file: string): Promise<Document> =>
  file.endsWith('.json') ? readDocument(file) : documentFrom(nameOf(file), await readScript(file))

export const writeJson = (file: string, value: unknown): Promise<void> =>
  written(file, writeFile(file, `${JSON.stringify(value, null, 2)}\n`))
