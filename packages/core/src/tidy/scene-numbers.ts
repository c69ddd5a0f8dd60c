import { certain, itemAt } from '../faults/certain.ts'
import { slugPicture } from './directions.ts'
import type { Page } from './page.ts'

const NUMBER = String.raw`(?:\d+[a-z]?|one|two|three|four|five|six|seven|eight|nine|ten)`
const labelOf = (words: string) =>
  new RegExp(
    String.raw`^(\s*[[(]?(?:\*\*)?(?:${words})\s*#?${NUMBER}\b(?:\*\*)?\s*[\])]?\s*)(?:([:.–—|-]+)(?:\*\*)?\s*(.*?)[\])]?(?:\*\*)?\s*)?$`,
    'iu',
  )
const ENGLISH = String.raw`scene|shot|slide|sc\.|frame|panel`
const LABEL = labelOf(ENGLISH)

/**
 * "Scene 4", "SHOT 2:" and what may follow them: a title becomes a chapter, narration stays.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findSceneNumbers(page: Page) {
  const words = page.rules?.words
  const label = words ? labelOf(`${ENGLISH}|${words.scene}|${words.shot}`) : LABEL
  const shot = new RegExp(
    String.raw`^\s*[[(]?(?:\*\*)?(?:shot${words ? `|${words.shot}` : ''})\b`,
    'iu',
  )
  for (const { from, to, text } of page.lines) {
    const found = label.exec(text)
    if (!found) continue
    const rest = (found[3] ?? '').trim()
    if (rest === '') page.drop('sceneNumber', from, to)
    else if (/^(?:INT|EXT)\b/.test(rest))
      page.mark('sceneNumber', from, to, certain(slugPicture(rest)))
    else if (shot.test(text))
      page.mark('sceneNumber', from, to, `[picture: ${rest.replace(/\.$/, '')}]`)
    else if (isNarration(text, rest))
      page.drop('sceneNumber', from, from + text.indexOf(rest, itemAt(found, 1).length))
    else page.mark('sceneNumber', from, to, `# ${rest}`)
  }
}

/** What follows a slide's number is its title; after a scene's, a sentence is narration. */
const isNarration = (text: string, rest: string) => {
  const words = rest.split(/\s+/).length
  return (
    words > 9 ||
    (/[.!…]["”’]?$/.test(rest) && !/slide/i.test(text)) ||
    (rest.endsWith('?') && words > 6)
  )
}
