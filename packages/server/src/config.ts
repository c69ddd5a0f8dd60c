import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'

const ROOT = fileURLToPath(new URL('../../..', import.meta.url))

const Environment = z.object({
  TIDY_DATABASE: z.url(),
  TIDY_PORT: z.coerce.number().int().default(4300),
  TIDY_HOST: z.string().default('127.0.0.1'),
  TIDY_WEB: z.string().default(join(ROOT, 'packages/web/dist')),
})

export function serverConfig(environment: NodeJS.ProcessEnv = process.env) {
  const { TIDY_DATABASE, TIDY_PORT, TIDY_HOST, TIDY_WEB } = Environment.parse(environment)
  return { database: TIDY_DATABASE, port: TIDY_PORT, host: TIDY_HOST, web: resolve(TIDY_WEB) }
}
export type ServerConfig = ReturnType<typeof serverConfig>
