import { TidyError } from '../faults/fault.ts'
import { pattern } from '../text/pattern.ts'

/** A film of 25 minutes holds about 25,000 characters; ten times that is still parsed at once. */
export const SCRIPT_CHARACTERS_LIMIT = 400_000

// Zero-width and directional characters, byte-order marks and control characters other than tab and
// line feed.
const UNSEEN = pattern(
  'g',
  String.raw`[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b\u200e\u200f\u202a-\u202e\u2060-\u2064\u2066-\u2069\ufeff\ufffe\uffff]`,
)

/**
 * A script as it is kept: line ends as LF, unseen characters out, everything else untouched.
 *
 * @throws TidyError `script_not_text` for bytes that are no text, `script_too_large`
 */
export function cleanScript(text: string, name = 'The script'): string {
  if (text.length > SCRIPT_CHARACTERS_LIMIT)
    throw new TidyError('script_too_large', {
      characters: text.length,
      limit: SCRIPT_CHARACTERS_LIMIT,
    })
  if (looksBinary(text)) throw new TidyError('script_not_text', { name })
  return text.toWellFormed().replace(/\r\n?/g, '\n').replace(UNSEEN, '').normalize('NFC')
}

/** A zero byte, or more than one character in a hundred that no encoding made. */
function looksBinary(text: string): boolean {
  if (text.includes('\u0000')) return true
  const broken = text.match(/\ufffd/g)?.length ?? 0
  return broken > 3 && broken > text.length / 100
}
