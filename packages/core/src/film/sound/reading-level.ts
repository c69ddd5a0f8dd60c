import type { TimelineScene } from '../../timeline/timeline.ts'

/**
 * Decibels a sentence is read louder or softer than most, by what it says: within a decibel and a
 * half altogether, so that no sentence stands out of the reading (by ear).
 */
const LEVELS = { opening: 0.6, question: 0.3, aside: -0.9, closing: -0.5 }

const ASIDE = /^\s*[([–—]|[)\]]["'’”»]?\s*$/
const QUESTION = /[?？؟]["'’”»)]*\s*$/

/** Decibels a scene is read louder than most; 0 for most of them. */
export function readingLevel(
  scenes: readonly Pick<TimelineScene, 'text' | 'chapter'>[],
  i: number,
): number {
  const scene = scenes[i]
  if (!scene) return 0
  if (ASIDE.test(scene.text)) return LEVELS.aside
  if (scenes[i - 1]?.chapter !== scene.chapter) return LEVELS.opening
  if (QUESTION.test(scene.text)) return LEVELS.question
  return scenes[i + 1]?.chapter !== scene.chapter ? LEVELS.closing : 0
}
