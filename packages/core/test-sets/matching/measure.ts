import { pickPictures } from '../../src/match/pick.ts'
import { pictureIndex } from '../../src/match/picture-index.ts'
import { queriesOf } from '../../src/match/queries.ts'
import { LEAST_SHOWN } from '../../src/match/rhythm.ts'
import type { SceneToMatch } from '../../src/match/scene-to-match.ts'
import { seriesOf } from '../../src/match/series.ts'
import type { Sureness } from '../../src/match/sureness.ts'
import type { Orientation } from '../../src/pictures/item.ts'
import { estimateSeconds } from '../../src/script/estimate.ts'
import type { Lexicon } from '../../src/words/lexicon.ts'
import type { Hardness, LabelledItem, LabelledScript } from './labelled.ts'

/** What is offered for a scene. */
export interface Offered {
  /** Ids, best first; the first is the one a film would show. */
  ids: readonly string[]
  /** The first is the picture of the scene before, which goes on. */
  holds: boolean
  /** How sure matching called that one. */
  sure: Sureness | undefined
}

export interface MatchScore {
  scenes: number
  /** Scenes whose first picture fits, and that have one that fits among the first four. */
  first: number
  four: number
  /** Scenes whose first picture has the word in another sense. */
  otherSense: number
  /** Neighbours that look alike: of one series of the same subject. */
  alike: number
  /** Pictures, those that go on counted once, and of these the ones shown before in their film. */
  pictures: number
  again: number
}

export interface MatchJudgement {
  all: MatchScore
  byHardness: Map<Hardness, MatchScore>
  bySureness: Map<Sureness, MatchScore>
  /** What went wrong, as read by a person. */
  failures: string[]
}

const scoreIn = <K>(scores: Map<K, MatchScore>, key: K) =>
  scores.get(key) ?? scores.set(key, none()).get(key)!

const none = (): MatchScore => ({
  scenes: 0,
  first: 0,
  four: 0,
  otherSense: 0,
  alike: 0,
  pictures: 0,
  again: 0,
})

/** What matching offers for scripts of the labelled set. */
export function offeredFor(
  scripts: readonly LabelledScript[],
  catalogue: readonly LabelledItem[],
  lexicon: Lexicon,
  orientation: Orientation = 'landscape',
  isDirected = false,
): Offered[][] {
  const index = pictureIndex(
    catalogue.map(({ item }) => item),
    lexicon,
  )
  return scripts.map((script) => {
    const film = filmOfScript(script, isDirected)
    const picks = pickPictures(film, queriesOf(film, lexicon, script.title), index, lexicon, {
      orientation,
    })
    return picks.map(({ candidates, begins }) => ({
      ids: candidates.map(({ item }) => item.id),
      holds: begins === 'hold',
      sure: candidates[0]?.sure,
    }))
  })
}

/** A labelled script as matching takes it. */
export const filmOfScript = ({ scenes }: LabelledScript, isDirected = false): SceneToMatch[] =>
  scenes.map(({ text, chapter, chapterTitle, depiction }) => {
    const seconds = estimateSeconds(text)
    const isShown = isDirected && depiction && seconds >= LEAST_SHOWN
    return { text, chapter, chapterTitle, seconds, ...(isShown ? { picture: depiction } : {}) }
  })

/** Judges what a matcher offered for scripts of the labelled set, `offered[script][scene]`. */
export function judgeMatches(
  scripts: readonly LabelledScript[],
  catalogue: readonly LabelledItem[],
  offered: readonly (readonly Offered[])[],
): MatchJudgement {
  const subjectOf = new Map(catalogue.map(({ item, subject }) => [item.id, subject]))
  const titleOf = new Map(catalogue.map(({ item }) => [item.id, seriesOf(item.title)]))
  const all = none()
  const byHardness = new Map<Hardness, MatchScore>()
  const bySureness = new Map<Sureness, MatchScore>()
  const failures: string[] = []
  scripts.forEach((script, s) => {
    let before: string | undefined
    const shown = new Set<string>()
    script.scenes.forEach((scene, i) => {
      const { ids, holds, sure } = offered[s]![i]!
      const subjects = ids.slice(0, 4).map((id) => subjectOf.get(id)!)
      const first = subjects[0]
      const series = titleOf.get(ids[0] ?? '')
      const facts = {
        scenes: 1,
        first: Number(first !== undefined && scene.fits.has(first)),
        four: Number(subjects.some((subject) => scene.fits.has(subject))),
        otherSense: Number(first !== undefined && scene.otherSense.has(first)),
        alike: Number(series !== undefined && series === before && !holds),
        pictures: Number(!holds),
        again: Number(!holds && shown.has(ids[0] ?? '')),
      }
      shown.add(ids[0] ?? '')
      before = series
      const own = scoreIn(byHardness, scene.hardness)
      const called = sure ? [scoreIn(bySureness, sure)] : []
      for (const score of [all, own, ...called])
        for (const key of Object.keys(facts) as (keyof MatchScore)[]) score[key] += facts[key]
      const wrong = [
        ...(facts.first ? [] : [facts.otherSense ? 'other sense' : 'does not fit']),
        ...(facts.four ? [] : ['none of four']),
        ...(facts.alike ? ['like its neighbour'] : []),
      ]
      if (wrong.length)
        failures.push(
          `${scene.hardness}: ${wrong.join(', ')}: "${scene.text}" got ${subjects.join(', ') || 'nothing'}`,
        )
    })
  })
  return { all, byHardness, bySureness, failures }
}
