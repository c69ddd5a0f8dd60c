import { itemAt } from '../faults/certain.ts'
import type { ParsedScript } from '../script/parse.ts'
import { sceneSeconds } from '../timeline/timeline.ts'
import type { Finding } from './finding.ts'

export interface ChapterLength {
  /** -1 for what comes before the first heading. */
  chapter: number
  title: string
  seconds: number
}

/** How long every chapter speaks, in order; chapters without a scene have 0. */
export function chapterLengths({ scenes, chapters }: ParsedScript, speed = 1): ChapterLength[] {
  const seconds = sceneSeconds(scenes, speed)
  const sums = new Map<number, number>()
  scenes.forEach(({ chapter }, i) =>
    sums.set(chapter, (sums.get(chapter) ?? 0) + itemAt(seconds, i)),
  )
  const lengths = [-1, ...chapters.keys()].map((chapter): ChapterLength => ({
    chapter,
    title: chapter < 0 ? 'Before the first chapter' : itemAt(chapters, chapter).title,
    seconds: sums.get(chapter) ?? 0,
  }))
  return lengths.filter(({ chapter, seconds: length }) => chapter >= 0 || length > 0)
}

/**
 * Above this many times the middle chapter, a chapter is a film of its own; below its inverse it is
 * none.
 */
const OUT_OF_BALANCE = 2.5

/**
 * Chapters much longer or shorter than the others.
 *
 * @returns in the order of the script; `[]` where no chapter is out of proportion
 */
export function chapterBalance(parsed: ParsedScript): Finding[] {
  const lengths = chapterLengths(parsed).filter(({ chapter }) => chapter >= 0)
  if (lengths.length < 3) return []
  const middle = itemAt(
    lengths.map(({ seconds }) => seconds).sort((a, b) => a - b),
    Math.floor(lengths.length / 2),
  )
  return lengths.flatMap(({ chapter, title, seconds }, i): Finding[] => {
    const { source } = itemAt(parsed.chapters, chapter)
    const minutes = `${(seconds / 60).toFixed(1)} min`
    if (seconds === 0)
      return [{ kind: 'balance', ...source, text: `“${title}” has nothing to speak.` }]
    if (seconds > middle * OUT_OF_BALANCE)
      return [
        {
          kind: 'balance',
          ...source,
          text: `“${title}” takes ${minutes}, the middle chapter ${(middle / 60).toFixed(1)}: part it?`,
        },
      ]
    // The last one may be a short farewell.
    if (seconds < middle / OUT_OF_BALANCE && i < lengths.length - 1)
      return [
        {
          kind: 'balance',
          ...source,
          text: `“${title}” takes only ${minutes}: join it to another?`,
        },
      ]
    return []
  })
}
