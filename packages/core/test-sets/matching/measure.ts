import { pickPictures } from '../../src/match/pick.ts'
import { pictureIndex } from '../../src/match/picture-index.ts'
import { queriesOf } from '../../src/match/queries.ts'
import type { SceneToMatch } from '../../src/match/scene-to-match.ts'
import { estimateSeconds } from '../../src/script/estimate.ts'
import type { Lexicon } from '../../src/words/lexicon.ts'
import type { Hardness, LabelledItem, LabelledScript } from './labelled.ts'

/** What is offered for a scene. */
export interface Offered {
  /** Ids, best first; the first is the one a film would show. */
  ids: readonly string[]
  /** The first is the picture of the scene before, which goes on. */
  holds: boolean
}

export interface MatchScore {
  scenes: number
  /** Scenes whose first picture fits, and that have one that fits among the first four. */
  first: number
  four: number
  /** Scenes whose first picture has the word in another sense. */
  otherSense: number
  /** Neighbours that show the same subject. */
  alike: number
}

export interface MatchJudgement {
  all: MatchScore
  byHardness: Map<Hardness, MatchScore>
  /** What went wrong, as read by a person. */
  failures: string[]
}

const none = (): MatchScore => ({ scenes: 0, first: 0, four: 0, otherSense: 0, alike: 0 })

/** What matching offers for scripts of the labelled set. */
export function offeredFor(
  scripts: readonly LabelledScript[],
  catalogue: readonly LabelledItem[],
  lexicon: Lexicon,
): Offered[][] {
  const index = pictureIndex(
    catalogue.map(({ item }) => item),
    lexicon,
  )
  return scripts.map((script) => {
    const film = filmOfScript(script)
    const picks = pickPictures(film, queriesOf(film, lexicon, script.title), index, lexicon, {
      orientation: 'landscape',
    })
    return picks.map(({ candidates, begins }) => ({
      ids: candidates.map(({ item }) => item.id),
      holds: begins === 'hold',
    }))
  })
}

/** A labelled script as matching takes it. */
export const filmOfScript = ({ scenes }: LabelledScript): SceneToMatch[] =>
  scenes.map(({ text, chapter, chapterTitle }) => ({
    text,
    chapter,
    chapterTitle,
    seconds: estimateSeconds(text),
  }))

/** Judges what a matcher offered for scripts of the labelled set, `offered[script][scene]`. */
export function judgeMatches(
  scripts: readonly LabelledScript[],
  catalogue: readonly LabelledItem[],
  offered: readonly (readonly Offered[])[],
): MatchJudgement {
  const subjectOf = new Map(catalogue.map(({ item, subject }) => [item.id, subject]))
  const all = none()
  const byHardness = new Map<Hardness, MatchScore>()
  const failures: string[] = []
  scripts.forEach((script, s) => {
    let before: string | undefined
    script.scenes.forEach((scene, i) => {
      const { ids, holds } = offered[s]![i]!
      const subjects = ids.slice(0, 4).map((id) => subjectOf.get(id)!)
      const first = subjects[0]
      const facts = {
        scenes: 1,
        first: Number(first !== undefined && scene.fits.has(first)),
        four: Number(subjects.some((subject) => scene.fits.has(subject))),
        otherSense: Number(first !== undefined && scene.otherSense.has(first)),
        alike: Number(first !== undefined && first === before && !holds),
      }
      before = first
      const own =
        byHardness.get(scene.hardness) ??
        byHardness.set(scene.hardness, none()).get(scene.hardness)!
      for (const score of [all, own])
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
  return { all, byHardness, failures }
}
