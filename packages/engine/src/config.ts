import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/fault'

const Environment = z.object({
  TIDY_DATA: z.string().optional(),
  TIDY_STOCK: z.url().default('http://127.0.0.1:4310'),
})

/** Where the engine keeps what it makes and where the stock library answers. */
export interface EngineConfig {
  data: string
  stock: string
}

const ROOT = fileURLToPath(new URL('../../..', import.meta.url))

/** @throws TidyError `option_invalid` naming the variable; an empty one counts as not set */
export function engineConfig(environment: NodeJS.ProcessEnv = process.env): EngineConfig {
  const read = Environment.safeParse({ TIDY_DATA: environment.TIDY_DATA || undefined, TIDY_STOCK: environment.TIDY_STOCK || undefined })
  if (!read.success) throw new TidyError('option_invalid', { option: 'TIDY_STOCK', value: environment.TIDY_STOCK ?? '', wanted: 'an address such as http://127.0.0.1:4310' })
  const { TIDY_DATA, TIDY_STOCK } = read.data
  return { data: resolve(TIDY_DATA ?? join(ROOT, '.data')), stock: TIDY_STOCK }
}

export const folders = ({ data }: EngineConfig) => ({
  takes: join(data, 'takes'), beds: join(data, 'beds'), mixes: join(data, 'mixes'), media: join(data, 'footage'), proxies: join(data, 'proxies'), thumbnails: join(data, 'thumbnails'), own: join(data, 'own'), segments: join(data, 'segments'),
  renders: join(data, 'renders'), work: join(data, 'work'), fonts: join(data, 'fonts'),
})
