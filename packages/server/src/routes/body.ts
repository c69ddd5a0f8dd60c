import { Readable } from 'node:stream'

/** The bytes of a request as they come; none for a request without a body. */
export const bodyOf = ({ body }: Request): Readable =>
  body ? Readable.fromWeb(body) : Readable.from([])
