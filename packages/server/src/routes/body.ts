import { Readable } from 'node:stream'
import type { ReadableStream } from 'node:stream/web'

/** The bytes of a request as they come; none for a request without a body. */
export const bodyOf = ({ body }: Request): Readable =>
  body ? Readable.fromWeb(body as ReadableStream) : Readable.from([])
