import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'

const Environment = z.object({
  TIDY_DATA: z.string().optional(),
  TIDY_STOCK: z.url().default('http://127.0.0.1:4310'),
  TIDY_PRINTS: z.url().optional(),
  TIDY_MAKER: z.url().optional(),
  /** Writing services on this machine or its network, as `host:port`, commas between. */
  TIDY_WRITERS: z.string().default(''),
  TIDY_STATISTICS: z.url().default('http://127.0.0.1:4320'),
})

/** Where the engine keeps what it makes and where the services it uses answer. */
export interface EngineConfig {
  data: string
  stock: string
  /** An archive of prints, and a maker of pictures: none, where there is no address. */
  prints?: string | undefined
  maker?: string | undefined
  statistics: string
  /** Writing services that are reached although they are not public, as `host:port`. */
  writers?: readonly string[]
}

const ROOT = fileURLToPath(new URL('../../..', import.meta.url))

/** @throws TidyError `option_invalid` naming the variable; an empty one counts as not set */
export function engineConfig(environment: NodeJS.ProcessEnv = process.env): EngineConfig {
  const read = Environment.safeParse(
    Object.fromEntries(
      Object.keys(Environment.shape).map((name) => [name, environment[name] || undefined]),
    ),
  )
  if (!read.success) {
    const option = String(itemAt(read.error.issues, 0).path[0])
    throw new TidyError('option_invalid', {
      option,
      value: environment[option] ?? '',
      wanted: 'an address such as http://127.0.0.1:4310',
    })
  }
  const { TIDY_DATA, TIDY_STOCK, TIDY_PRINTS, TIDY_MAKER, TIDY_STATISTICS, TIDY_WRITERS } =
    read.data
  return {
    data: resolve(TIDY_DATA ?? join(ROOT, '.data')),
    stock: TIDY_STOCK,
    prints: TIDY_PRINTS,
    maker: TIDY_MAKER,
    statistics: TIDY_STATISTICS,
    writers: TIDY_WRITERS.split(',').flatMap((host) => host.trim().toLowerCase() || []),
  }
}

export const folders = ({ data }: EngineConfig) => ({
  secrets: join(data, 'secrets'),
  takes: join(data, 'takes'),
  beds: join(data, 'beds'),
  sounds: join(data, 'sounds'),
  music: join(data, 'music'),
  mixes: join(data, 'mixes'),
  voices: join(data, 'voices'),
  recordings: join(data, 'recordings'),
  media: join(data, 'footage'),
  proxies: join(data, 'proxies'),
  lights: join(data, 'lights'),
  thumbnails: join(data, 'thumbnails'),
  own: join(data, 'own'),
  searches: join(data, 'searches'),
  segments: join(data, 'segments'),
  renders: join(data, 'renders'),
  work: join(data, 'work'),
  fonts: join(data, 'fonts'),
})
