/**
 * Writes the JSON Schema of a document into docs/formats.md: `npx tsx scripts/publish-schema.ts`.
 */
import { readFile, writeFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { withSchema } from '@tidy-reel/cli/published-schema'

const FILE = fileURLToPath(new URL('../docs/formats.md', import.meta.url))
await writeFile(FILE, withSchema(await readFile(FILE, 'utf8')))
