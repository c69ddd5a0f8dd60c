/**
 * Of a file that is made a script, in bytes: a book of 1,000 pages without its pictures has 5 MB.
 */
export const IMPORT_BYTES_LIMIT = 40 * 1024 * 1024
