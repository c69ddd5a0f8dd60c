import { oneLine } from '../text/one-line.ts'
import type { Timeline } from '../timeline/timeline.ts'

/**
 * What is said, to be read: headings of chapters, a paragraph each, nothing of directions.
 *
 * @returns ends with one line break; empty where nothing is spoken
 * @example transcript(timeline) // => 'The lamp\n\nThe lamp burns. It turns.\n'
 */
export function transcript({ scenes, chapters }: Pick<Timeline, 'scenes' | 'chapters'>): string {
  const blocks: string[] = []
  let chapter = -1
  let said: string[] = []
  const close = () => {
    if (said.length) blocks.push(said.join(' '))
    said = []
  }
  for (const scene of scenes) {
    if (scene.card !== undefined) continue
    if (scene.chapter !== chapter) {
      close()
      chapter = scene.chapter
      const title = chapters[chapter]?.title
      if (title) blocks.push(oneLine(title))
    }
    said.push(oneLine(scene.text))
  }
  close()
  return blocks.length ? `${blocks.join('\n\n')}\n` : ''
}
