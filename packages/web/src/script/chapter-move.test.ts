import { describe, expect, it } from 'vitest'
import { parseScript } from '@tidy-reel/core/script/parse'
import { withChapterMoved } from './chapter-move.ts'

const script = 'Before.\n\n# One\nA.\n\n# Two\nB.\n\n# Three\nC.'
const moved = (chapter: number, before: number) =>
  parseScript(withChapterMoved(script, parseScript(script), chapter, before))

describe('withChapterMoved', () => {
  it.each([
    [2, 0, ['Three', 'One', 'Two'], 'Before. C. A. B.'],
    [0, 2, ['Two', 'One', 'Three'], 'Before. B. A. C.'],
    [0, 3, ['Two', 'Three', 'One'], 'Before. B. C. A.'],
  ])('moves chapter %i before %i', (chapter, before, titles, spoken) => {
    const { chapters, scenes } = moved(chapter, before)
    expect(chapters.map(({ title }) => title)).toEqual(titles)
    expect(scenes.map(({ text }) => text).join(' ')).toBe(spoken)
  })
})
