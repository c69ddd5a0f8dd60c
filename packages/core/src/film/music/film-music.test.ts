import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '../../document/apply.ts'
import { filmOf } from '../../document/film-scenes.ts'
import { timeline } from '../../timeline/timeline.ts'
import { filmMusic, musicRuns } from './film-music.ts'
import { musicLevels, painted, type Run } from './music-wishes.ts'

const SCRIPT = `The harbour sleeps.

# Tide
[music: tense] The water comes in. It comes fast. [music: louder, under the scene] Everybody runs.

# Ebb
[music: none] Then it goes. [music: a zither] Nothing is left.

# Morning
The sun is up. Boats go out.`

const planned = (script: string, set: object = {}) => {
  const document = { ...documentFrom('Tide', script), ...set }
  const film = filmOf(document)
  return { document, film, plan: timeline(film, [], [30, 1]) }
}
const waltz = { id: 'music-1', title: 'Harbour waltz', author: 'Ada', licence: 'Own', credit: '' }
const NO_SHELF = { byId: () => undefined, byWords: () => undefined }
const shelf = {
  byId: (id: string) => (id === waltz.id ? waltz : undefined),
  byWords: (words: string) => (/waltz/i.test(words) ? waltz : undefined),
}

describe('musicRuns', () => {
  const { document, film, plan } = planned(SCRIPT)
  const { runs, unmet } = musicRuns(document, film, plan, NO_SHELF)
  const chapters = plan.chapters.map(({ startSample }) => startSample)

  it('plays what a chapter asks for to its end, and the film’s music before and after', () => {
    expect(runs.map(({ value }) => ('mood' in value ? value.mood : value.kind))).toEqual([
      'calm',
      'tense',
      'none',
      'calm',
    ])
    expect(runs.map(({ from }) => from)).toEqual([0, ...chapters])
    expect(runs.at(-1)?.to).toBe(plan.samples)
  })
  it('tells of words that nothing fits', () => {
    expect(unmet.map(({ words }) => words)).toEqual(['a zither'])
  })
  it('raises the music under the scene that asks for it, and nowhere else', () => {
    const scene = plan.scenes.find(({ text }) => text === 'Everybody runs.')!
    expect(musicLevels(plan, film)).toEqual([
      { from: 0, to: scene.startSample, value: 0 },
      { from: scene.startSample, to: scene.endSample, value: 4 },
      { from: scene.endSample, to: plan.samples, value: 0 },
    ])
  })
  it('knows own music by its words and by its id, and plays made music where it is gone', () => {
    const own = planned('[music: the waltz, under the scene] Boats go out. They come back.')
    const [first, rest] = musicRuns(own.document, own.film, own.plan, shelf).runs
    expect(first?.value).toEqual({ kind: 'own', own: waltz })
    expect(rest?.value).toMatchObject({ kind: 'made', mood: 'calm' })
    const score = { ...own.document.score, own: 'music-1' }
    const there = musicRuns({ ...own.document, score }, own.film, own.plan, shelf).runs
    expect(there).toHaveLength(1)
    const gone = musicRuns({ ...own.document, score }, own.film, own.plan, NO_SHELF).runs
    expect(gone[0]?.value).toMatchObject({ kind: 'made' })
  })
  it('tiles the film whatever is laid over whatever', () => {
    const wish = fc.tuple(fc.nat(100), fc.nat(100), fc.nat(5))
    fc.assert(
      fc.property(fc.array(wish, { maxLength: 20 }), (wishes) => {
        const runs = wishes.reduce<Run<number>[]>(
          (all, [from, length, value]) =>
            painted(all, { from, to: Math.min(100, from + length), value }),
          [{ from: 0, to: 100, value: 9 }],
        )
        expect(runs[0]?.from).toBe(0)
        expect(runs.at(-1)?.to).toBe(100)
        runs.forEach((run, i) => expect(run.to).toBe(runs[i + 1]?.from ?? 100))
      }),
    )
  })
})

describe('filmMusic', () => {
  const { document, film, plan } = planned(SCRIPT)
  const music = filmMusic(document, film, plan, NO_SHELF).music!
  it('gives each stretch a form that ends in it, and no music where none is wanted', () => {
    expect(music.parts).toHaveLength(3)
    for (const { from, to, music: played } of music.parts) {
      if (played.kind !== 'made') throw new Error('made music was asked for')
      expect(played.plan.samples).toBe(to - from)
      const last = played.plan.placed.at(-1)!
      const { order } = played.plan.sections.find(({ id }) => id === last.id)!
      expect(order.kind).toBe('ending')
    }
  })
  it('is undefined for a film without music', () => {
    const silent = planned('Nothing is heard.', { mood: 'none' })
    expect(filmMusic(silent.document, silent.film, silent.plan, NO_SHELF).music).toBeUndefined()
  })
})

describe('music alone', () => {
  const spoken = (set: object) => {
    const { document } = planned('One. Two.')
    const score = { ...document.score, ...set }
    const { plan } = planned('One. Two.', { score })
    const first = plan.scenes.find(({ card }) => card === undefined)!
    const last = plan.scenes.findLast(({ card }) => card === undefined)!
    return [first.speechStart / 48_000, (plan.samples - last.speechEnd) / 48_000]
  }
  it('opens and closes the film for as long as is asked for', () => {
    expect(spoken({ opens: 6, closes: 8 })).toEqual([6, 8])
    expect(spoken({})).toEqual([0.6, 2])
  })
  it('counts the seconds of cards as its own', () => {
    const { document } = planned('One. Two.')
    const card = { shown: true, text: null, samples: 4 * 48_000 }
    const { plan } = planned('One. Two.', {
      score: { ...document.score, opens: 6, closes: 3 },
      cards: { opening: card, closing: card },
    })
    expect(plan.scenes[1]?.speechStart).toBe(6 * 48_000)
    expect(plan.scenes[2]?.endSample).toBe(plan.samples - 4 * 48_000)
  })
})
