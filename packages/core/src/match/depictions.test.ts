import { describe, expect, it } from 'vitest'
import { emptyLexicon } from '../words/lexicon.ts'
import { depictionsOf } from './depictions.ts'
import { queriesOf } from './queries.ts'
import type { SceneToMatch } from './scene-to-match.ts'

const scene = (text: string, more: Partial<SceneToMatch> = {}): SceneToMatch => ({
  text,
  chapter: 0,
  seconds: 4,
  ...more,
})
const read = (...scenes: SceneToMatch[]) =>
  depictionsOf(scenes, queriesOf(scenes, emptyLexicon, 'The keeper'))

describe('depictionsOf', () => {
  it('says what the sentence names, what is done and when', () => {
    const [one] = read(scene('At night the keeper winds the clock.'))
    expect(one).toMatchObject({ from: 'sentence', not: [] })
    expect(one!.see).toBe('keeper and clock, winds, at night')
    expect(one!.search).toContain('clock')
  })
  it('says what a pronoun stands for, beside what its sentence names', () => {
    const [, second] = read(scene('The lighthouse stands on a rock.'), scene('It warns the ships.'))
    expect(second).toMatchObject({ from: 'pronoun' })
    expect(second!.see).toMatch(/^lighthouse: ships/)
  })
  it('says what stands around a sentence that shows nothing', () => {
    const [, second] = read(scene('The lighthouse stands on a rock.'), scene('Nobody knows why.'))
    expect(second).toMatchObject({ from: 'around' })
    expect(second!.see).toMatch(/lighthouse|rock/)
  })
  it('leaves a direction as it stands', () => {
    const [one] = read(scene('Nobody knows why.', { picture: 'a fog bank at sea', not: ['money'] }))
    expect(one).toMatchObject({ see: 'a fog bank at sea', not: ['money'], from: 'direction' })
  })
  it('has one entry a scene, whatever is in it', () => {
    const empty = read(scene('7.'), scene('—'))
    expect(empty).toHaveLength(2)
    expect(read()).toEqual([])
  })
})
