import type { Context, MiddlewareHandler, Next } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { IMPORT_BYTES_LIMIT } from '@tidy-reel/engine/import/import-limit'
import { OWN_BYTES_LIMIT } from '@tidy-reel/engine/own/own-files'
import { RECORDING_BYTES_LIMIT } from '../actions/recordings.ts'

/** Of a body that is no file, in bytes: a script of 60 minutes is a fiftieth of it. */
const JSON_BYTES_LIMIT = 4 * 1024 * 1024

const megabytes = (bytes: number) => `${bytes / 1024 / 1024} MB`

function limited(maxSize: number, fault: () => TidyError): MiddlewareHandler {
  const onError = () => {
    throw fault()
  }
  return bodyLimit({ maxSize, onError })
}

const json = limited(
  JSON_BYTES_LIMIT,
  () =>
    new TidyError('script_too_large', { characters: JSON_BYTES_LIMIT, limit: JSON_BYTES_LIMIT }),
)
const ownFile = limited(
  OWN_BYTES_LIMIT,
  () =>
    new TidyError('own_file_unusable', {
      name: 'The file',
      reason: `it is larger than ${megabytes(OWN_BYTES_LIMIT)}`,
    }),
)
const imported = limited(
  IMPORT_BYTES_LIMIT,
  () =>
    new TidyError('import_too_large', {
      name: 'The file',
      reason: `it is over the ${megabytes(IMPORT_BYTES_LIMIT)} that are read; save it without its pictures`,
    }),
)
const recording = limited(
  RECORDING_BYTES_LIMIT,
  () =>
    new TidyError('recording_unusable', {
      reason: `it is larger than ${megabytes(RECORDING_BYTES_LIMIT)}`,
    }),
)

const BY_PATH: readonly (readonly [path: RegExp, limit: MiddlewareHandler])[] = [
  [/^\/api\/own$/, ownFile],
  [/^\/api\/import$/, imported],
  [/\/recordings?$/, recording],
]

/** Refuses a body that is longer than its route takes, before it is read. */
export function bodyLimits(c: Context<object, string>, next: Next) {
  const limit = BY_PATH.find(([path]) => path.test(c.req.path))?.[1] ?? json
  return limit(c, next)
}
