import { detect } from 'chardet'
import iconv from 'iconv-lite'
import { itemAt } from '@tidy-reel/core/faults/certain'

export interface Decoded {
  text: string
  /** As the file was written in. */
  encoding: string
}

/** Without a byte-order mark, UTF-16 shows by every other byte of plain text being zero. */
function utf16(bytes: Buffer): string | undefined {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'UTF-16LE'
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'UTF-16BE'
  const head = bytes.subarray(0, 4000)
  const pairs = Math.floor(head.length / 2)
  if (pairs < 4) return undefined
  const zeros = [0, 0]
  for (let i = 0; i < pairs * 2; i++) if (head[i] === 0) zeros[i % 2]!++
  if (itemAt(zeros, 1) > pairs * 0.4 && itemAt(zeros, 0) < pairs * 0.1) return 'UTF-16LE'
  if (itemAt(zeros, 0) > pairs * 0.4 && itemAt(zeros, 1) < pairs * 0.1) return 'UTF-16BE'
  return undefined
}

/**
 * The text of some bytes, whatever it was written in: UTF-8 where they are valid UTF-8, UTF-16 with
 * or without its mark, otherwise what the bytes look like most (chardet).
 */
export function decoded(bytes: Buffer): Decoded {
  const wide = utf16(bytes)
  if (wide) return { text: iconv.decode(bytes, wide), encoding: wide }
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' }
  } catch {
    const guess = detect(bytes.subarray(0, 200_000)) ?? 'windows-1252'
    // Of the Latin families the Windows one holds the others' letters and the quotation marks they
    // lack.
    const encoding =
      /^(?:ISO-8859-1|ASCII|UTF-8)$/.test(guess) || !iconv.encodingExists(guess)
        ? 'windows-1252'
        : guess
    return { text: iconv.decode(bytes, encoding), encoding }
  }
}
