import { describe, expect, it } from 'vitest'
import { isFault } from '../faults/fault.ts'
import { cleanScript, SCRIPT_CHARACTERS_LIMIT } from './clean.ts'

const code = (run: () => unknown) => {
  try {
    run()
  } catch (cause) {
    return isFault(cause) ? cause.code : cause
  }
  return 'none'
}

describe('cleanScript', () => {
  it('makes every kind of line end a line feed', () =>
    expect(cleanScript('a\r\nb\rc\nd')).toBe('a\nb\nc\nd'))
  it('takes out what cannot be seen and would be spoken or break a word', () => {
    expect(cleanScript('\ufefflight\u200bhouse\u2060 \u202eturns\u202c')).toBe('lighthouse turns')
  })
  it('keeps the joiners that emoji and Persian need', () =>
    expect(cleanScript('می\u200cخواهم 👩\u200d🚀')).toBe('می\u200cخواهم 👩\u200d🚀'))
  it('composes letters (Unicode NFC)', () => expect(cleanScript('cafe\u0301')).toBe('caf\u00e9'))
  it('leaves Arabic, Chinese and emoji as they are', () => {
    for (const text of ['البحر عميق.', '海很深。', 'The sea 🌊 is deep.'])
      expect(cleanScript(text)).toBe(text)
  })
  it('refuses a picture read as text, by its zero bytes or its broken characters', () => {
    expect(
      code(() => cleanScript(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]).toString('utf8'))),
    ).toBe('script_not_text')
    expect(
      code(() =>
        cleanScript(
          Buffer.from(Array.from({ length: 500 }, (_, i) => 0x80 + (i % 100))).toString('utf8'),
        ),
      ),
    ).toBe('script_not_text')
  })
  it('forgives one broken character in a long text', () =>
    expect(cleanScript(`${'The sea. '.repeat(50)}\ufffd`)).toContain('The sea.'))
  it('refuses a text past its limit, with both numbers in the sentence', () => {
    expect(code(() => cleanScript('a'.repeat(SCRIPT_CHARACTERS_LIMIT + 1)))).toBe(
      'script_too_large',
    )
  })
})
