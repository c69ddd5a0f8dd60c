import { readFile } from 'node:fs/promises'
import type { z } from 'zod'

/**
 * What a file of our own holds as JSON.
 *
 * @throws what the file system says, SyntaxError, ZodError: such a file was written whole or not at
 *   all
 */
export async function keptJson<Schema extends z.ZodType>(
  file: string,
  schema: Schema,
): Promise<z.output<Schema>> {
  return schema.parse(JSON.parse(await readFile(file, 'utf8')))
}
