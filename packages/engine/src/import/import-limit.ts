import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * Of a file that is made a script, in bytes: a book of 1,000 pages without its pictures has 5 MB.
 */
export const IMPORT_BYTES_LIMIT = 40 * 1024 * 1024

/** The fault of a file over the limit; it need not be read to say so. */
export const importTooLarge = (name: string) =>
  new TidyError('import_too_large', {
    name,
    reason:
      `it is over the ${IMPORT_BYTES_LIMIT / 1024 / 1024} MB that are read; ` +
      'save it without its pictures',
  })
