import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * Of a file that is made a script, in bytes: a book of 1,000 pages without its pictures has 5 MB.
 */
export const IMPORT_BYTES_LIMIT = 40 * 1024 * 1024

const LIMIT_MB = IMPORT_BYTES_LIMIT / 1024 / 1024

/**
 * The fault of a file over the limit; it need not be read to say so.
 *
 * @param bytes undefined for one that was not counted to its end
 */
export const importTooLarge = (name: string, bytes?: number) =>
  new TidyError('import_too_large', {
    name,
    reason:
      (bytes === undefined ? 'it is' : `it has ${Math.round(bytes / 1024 / 1024)} MB,`) +
      ` over the ${LIMIT_MB} MB that are read; save it without its pictures`,
  })
