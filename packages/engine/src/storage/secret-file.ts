import { mkdir, readFile, rm, writeFile } from 'node:fs/promises'
import { dirname } from 'node:path'
import type { z } from 'zod'
import { jsonAs } from '@tidy-reel/core/text/json'
import { replacedFile } from './kept-file.ts'

/** What this user alone may read; never in the database, nor in what is exported. */
export function secretFile<Schema extends z.ZodType>(file: string, schema: Schema) {
  return {
    /** Undefined where nothing is kept. */
    read: async () => jsonAs(await readFile(file, 'utf8').catch(() => ''), schema),
    async keep(secret: z.output<Schema>): Promise<void> {
      await mkdir(dirname(file), { recursive: true, mode: 0o700 })
      await replacedFile(file, (half) => writeFile(half, JSON.stringify(secret), { mode: 0o600 }))
    },
    forget: () => rm(file, { force: true }),
  }
}
