import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * Waits until a file that a person named has been written.
 *
 * @throws TidyError `disk_full`, `file_not_writable`
 */
export async function written(file: string, writing: Promise<unknown>): Promise<void> {
  await writing.catch((cause: unknown) => {
    throw (cause as NodeJS.ErrnoException).code === 'ENOSPC'
      ? new TidyError('disk_full')
      : new TidyError('file_not_writable', { name: file })
  })
}
