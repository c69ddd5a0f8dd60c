import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { LOOPBACK } from './http/known-host.ts'

const ROOT = fileURLToPath(new URL('../../..', import.meta.url))

const Environment = z.object({
  TIDY_DATABASE: z.url(),
  TIDY_PORT: z.coerce.number().int().default(4300),
  TIDY_HOST: z.string().default('127.0.0.1'),
  /** Further names the server is called by, with commas between. */
  TIDY_NAMES: z.string().default(''),
  TIDY_WEB: z.string().default(join(ROOT, 'packages/web/dist')),
})

export function serverConfig(environment: NodeJS.ProcessEnv = process.env) {
  const { TIDY_DATABASE, TIDY_PORT, TIDY_HOST, TIDY_NAMES, TIDY_WEB } =
    Environment.parse(environment)
  if (!LOOPBACK.has(TIDY_HOST))
    throw new TidyError('option_invalid', {
      option: 'TIDY_HOST',
      value: TIDY_HOST,
      wanted:
        '127.0.0.1: whoever reaches the server may change everything, as there are no accounts',
    })
  return {
    database: TIDY_DATABASE,
    port: TIDY_PORT,
    host: TIDY_HOST,
    names: TIDY_NAMES.split(',').flatMap((name) => name.trim().toLowerCase() || []),
    web: resolve(TIDY_WEB),
  }
}
export type ServerConfig = ReturnType<typeof serverConfig>
