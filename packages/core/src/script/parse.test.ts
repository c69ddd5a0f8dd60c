import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TidyError } from '../faults/fault.ts'
import { cleanScript } from './clean.ts'
import { parseScript } from './parse.ts'

const texts = (script: string) => parseScript(cleanScript(script)).scenes.map(({ text }) => text)

describe('parseScript', () => {
  it('reads headings, directions and speakers', () => {
    const { chapters, scenes } = parseScript(
      '[picture: dawn]\n\n# Light\nKEEPER: It burns. [pause 1.5s] It turns [super: 1859] slowly.',
    )
    expect(chapters.map(({ title }) => title)).toEqual(['Light'])
    expect(scenes.map(({ text, speaker, chapter }) => ({ text, speaker, chapter }))).toEqual([
      { text: 'It burns.', speaker: 'KEEPER', chapter: 0 },
      { text: 'It turns slowly.', speaker: 'KEEPER', chapter: 0 },
    ])
    expect(scenes[0]!.directions).toEqual([
      { kind: 'picture', text: 'dawn' },
      { kind: 'pause', seconds: 1.5 },
    ])
    expect(scenes[1]!.directions).toEqual([{ kind: 'super', text: '1859' }])
  })
  it.each([
    ['.', []],
    ['[] .', []],
    ['# Only\n\n## Headings', []],
    ['😀 🎉', []],
    ['Hello', ['Hello']],
    ['One.\r\n\r\nTwo.', ['One.', 'Two.']],
    ['A\u200bb c.', ['Ab c.']],
  ])('makes of %j the scenes %j', (script, scenes) => expect(texts(script)).toEqual(scenes))
  it('lets no scene speak longer than 12 s, even of one sentence of 400 words', () => {
    const { scenes } = parseScript(
      `${Array.from({ length: 400 }, (_, i) => (i % 9 ? 'lantern' : 'and')).join(' ')}.`,
    )
    expect(Math.max(...scenes.map(({ estimatedSeconds }) => estimatedSeconds))).toBeLessThanOrEqual(
      12,
    )
    expect(
      scenes
        .map(({ text }) => text)
        .join(' ')
        .split(' '),
    ).toHaveLength(400)
  })
  it('reads 30,000 words', () => expect(texts('The sea is deep. '.repeat(7500))).toHaveLength(7500))
  it('never throws, and each scene stands where it says', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            'a',
            'B',
            '.',
            ' ',
            '\n',
            '[',
            ']',
            '#',
            '"',
            'pause 1s',
            '3',
            '…',
            'Dr',
            ':',
            '海',
          ),
          { maxLength: 60 },
        ),
        (parts) => {
          const script = cleanScript(parts.join(''))
          let last = -1
          for (const { source, text } of parseScript(script).scenes) {
            expect(source.from).toBeGreaterThan(last)
            expect(text).toMatch(/[\p{L}\p{N}]/u)
            last = source.from
          }
        },
      ),
    )
  })
})

describe('cleanScript', () => {
  it('refuses bytes that are no text', () =>
    expect(() => cleanScript('PNG\u0000\u0001')).toThrow(TidyError))
})
