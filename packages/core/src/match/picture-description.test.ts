import { describe, expect, it } from 'vitest'
import type { SearchWord } from '../words/search-words.ts'
import { pictureDescription } from './picture-description.ts'

const word = (text: string, weight: number, more: Partial<SearchWord> = {}): SearchWord => ({
  text,
  weight,
  written: text,
  names: 'thing',
  ...more,
})

describe('pictureDescription', () => {
  it('names what the sentence names, in its order, and the hour', () => {
    const words = [
      word('lens', 0.9),
      word('flame', 0.7),
      word('night', 0.5),
      word('turn', 0.2, { names: 'action' }),
    ]
    expect(
      pictureDescription(
        { text: 'At night the flame turns behind a lens.', words },
        'How a lighthouse works.',
      ),
    ).toBe('Flame and lens, at night. From a film about how a lighthouse works.')
  })
  it('says a phrase once and not its words again', () => {
    expect(
      pictureDescription(
        {
          text: 'The oil lamp burns.',
          words: [word('oil lamp', 1, { names: 'phrase' }), word('lamp', 0.9), word('oil', 0.5)],
        },
        'Light',
      ),
    ).toBe('Oil lamp. From a film about light.')
  })
  it('takes a direction as it stands', () => {
    expect(
      pictureDescription(
        {
          text: 'It was gone.',
          picture: 'an empty harbour at dawn',
          words: [word('ship', 1, { written: '' })],
        },
        'Light',
        'Wrecks',
      ),
    ).toBe('An empty harbour at dawn. From a film about light: wrecks.')
  })
  it('takes what stands around a sentence that names nothing, and the film where nothing does', () => {
    expect(
      pictureDescription(
        { text: 'It was gone.', words: [word('ship', 0.6, { written: '' })] },
        'Wrecks',
      ),
    ).toBe('Ship. From a film about wrecks.')
    expect(pictureDescription({ text: 'Why?', words: [] }, 'DNA and us')).toBe(
      'From a film about DNA and us.',
    )
  })
})
