/** Writings that part their words by nothing: each sign counts as a word. */
const SIGN =
  '\\p{sc=Han}\\p{sc=Hiragana}\\p{sc=Katakana}\\p{sc=Thai}\\p{sc=Lao}\\p{sc=Khmer}\\p{sc=Myanmar}'
const TOKEN = new RegExp(
  `\\s+|[${SIGN}]\\p{M}*|(?:(?![${SIGN}])[\\p{L}\\p{N}\\p{M}])+|\\P{M}\\p{M}*|[^]`,
  'gu',
)
const ENDS = /^[.!?…。！？]$/u
const CLOSES = /^["'”’»)\]]$/u

/** Words, marks and the space between them, in order; joined they are the text again. */
export const tokensOf = (text: string): string[] => text.match(TOKEN) ?? []

/**
 * Sentences and the space between them, in order; joined they are the text again. A line's end
 * parts them too.
 *
 * @example sentencesAndSpaces('It burns. It turns') // => ['It burns.', ' ', 'It turns']
 */
export function sentencesAndSpaces(text: string): string[] {
  const parts: string[] = []
  let sentence = ''
  let ended = false
  const close = () => {
    if (sentence) parts.push(sentence)
    sentence = ''
    ended = false
  }
  for (const token of tokensOf(text)) {
    const isSpace = token.trim() === ''
    if (isSpace && (!sentence || ended || token.includes('\n'))) {
      close()
      parts.push(token)
      continue
    }
    if (ended && !ENDS.test(token) && !CLOSES.test(token) && wide(sentence)) close()
    if (ENDS.test(token)) ended = true
    else if (!CLOSES.test(token)) ended = false
    sentence += token
  }
  close()
  return parts
}

/** Full stops that no space follows. */
const wide = (sentence: string) => /[。！？]["'”’»)\]]*$/u.test(sentence)
