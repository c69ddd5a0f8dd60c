import { type Entry, fromBuffer, type ZipFile } from 'yauzl'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'

/**
 * What a document may unpack to. A thousand pages of text are under 10 MB; a bomb is thousands of
 * times its size.
 */
const PART_BYTES_LIMIT = 16 * 1024 * 1024
/** Limits of what a packed file may hold, against those made to fill the memory. */
const ALL_BYTES_LIMIT = 160 * 1024 * 1024
const ENTRIES_LIMIT = 5000

/** The parts of a packed document that are wanted, read with limits; the rest is not unpacked. */
export async function unpacked(
  bytes: Buffer,
  name: string,
  wanted: (path: string) => boolean,
): Promise<Map<string, Buffer>> {
  const zip = await open(bytes, name)
  const parts = new Map<string, Buffer>()
  let all = 0
  if (zip.entryCount > ENTRIES_LIMIT) throw bomb(name)
  return new Promise((resolve, reject) => {
    const fail = (cause: unknown) => {
      zip.close()
      reject(
        isFault(cause)
          ? cause
          : new TidyError('import_unreadable', { name, reason: 'it is damaged or was cut off' }),
      )
    }
    zip.on('error', fail)
    zip.on('end', () => resolve(parts))
    zip.on('entry', (entry: Entry) => {
      if (!wanted(entry.fileName)) return zip.readEntry()
      // What the entry says of its size is checked by yauzl while it unpacks.
      all += entry.uncompressedSize
      if (entry.uncompressedSize > PART_BYTES_LIMIT || all > ALL_BYTES_LIMIT)
        return fail(bomb(name))
      read(zip, entry).then((part) => {
        parts.set(entry.fileName, part)
        zip.readEntry()
      }, fail)
    })
    zip.readEntry()
  })
}

const bomb = (name: string) =>
  new TidyError('import_too_large', {
    name,
    reason: 'what is packed in it is far larger than any script',
  })

function open(bytes: Buffer, name: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    fromBuffer(bytes, { lazyEntries: true }, (cause, zip) =>
      cause
        ? reject(
            new TidyError('import_unreadable', { name, reason: 'it is damaged or was cut off' }),
          )
        : resolve(zip),
    )
  })
}

function read(zip: ZipFile, entry: Entry): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (cause, stream) => {
      if (cause) return reject(cause)
      const chunks: Buffer[] = []
      stream.on('data', (chunk: Buffer) => chunks.push(chunk))
      stream.on('end', () => resolve(Buffer.concat(chunks)))
      stream.on('error', reject)
    })
  })
}
