import type { SceneQuery } from './queries.ts'
import type { SceneToMatch } from './scene-to-match.ts'

/** How much rather or less a picture goes on, in the measure of `chooseForFilm`; by hand. */
const WORTH = {
  /** A question and its answer share a picture. */
  answer: 0.1,
  /** A sentence that shows nothing of its own says something about what is seen. */
  nothing: 0.25,
  /** One more of a list is a thing of its own. */
  listed: -0.35,
}

const QUESTION = /[?？؟]["'’”»)\]]*$/
const NEXT_OF_A_LIST =
  /^(?:(?:and )?(?:first|second|third|fourth|fifth|sixth|next|then|finally|lastly|last)(?:ly)?\b|(?:number )?(?:one|two|three|four|five|six|\d+)[.:,])/i

export const isQuestion = (text: string) => QUESTION.test(text)

/**
 * How good it is that the picture of the scene before goes on over a scene.
 *
 * @returns undefined where it may not: at the beginning of a chapter, after a card, and where a
 *   person wrote what is to be seen
 */
export function goesOnInto(
  before: SceneToMatch | undefined,
  scene: SceneToMatch,
  { need }: Pick<SceneQuery, 'need'>,
): number | undefined {
  if (!before?.text || scene.chapter !== before.chapter || scene.picture) return undefined
  return (
    (isQuestion(before.text) ? WORTH.answer : 0) +
    need * WORTH.nothing +
    (NEXT_OF_A_LIST.test(scene.text) ? WORTH.listed : 0)
  )
}
