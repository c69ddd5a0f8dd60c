import { itemAt } from '../faults/certain.ts'
import { parseScript } from '../script/parse.ts'
import { sceneSeconds } from '../timeline/timeline.ts'
import type { DraftSentence, Outline } from './brief.ts'
import { leansOnOthers } from './leaning.ts'

/**
 * The script that sentences make, under the outline's headings.
 *
 * @returns a heading a chapter, those without a sentence left out; empty for no sentences
 */
export function draftScript(sentences: readonly DraftSentence[], outline: Outline): string {
  const parts: string[] = []
  let chapter = -1
  let paragraph: string[] = []
  const close = () => {
    if (paragraph.length) parts.push(paragraph.join(' '))
    paragraph = []
  }
  sentences.forEach((sentence, i) => {
    if (sentence.chapter !== chapter) {
      close()
      chapter = sentence.chapter
      parts.push(`# ${itemAt(outline, chapter).title}`)
    } else if (
      i > 0 &&
      sentence.from[0]?.source !== itemAt(sentences, i - 1).from[0]?.source &&
      paragraph.length > 1
    )
      close()
    paragraph.push(sentence.text)
    if (paragraph.length >= 5 && !leansOnOthers(sentences[i + 1]?.text ?? '')) close()
  })
  close()
  return parts.join('\n\n')
}

/** Seconds a script will speak for at a pace. */
export function scriptSeconds(script: string, speed = 1): number {
  return sceneSeconds(parseScript(script).scenes, speed).reduce((sum, seconds) => sum + seconds, 0)
}
