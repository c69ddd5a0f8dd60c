import type { TimelineScene } from '../../timeline/timeline.ts'
import { SPEECH_LUFS, type SpokenSpan } from './mix.ts'
import { readingLevel } from './reading-level.ts'

/**
 * Where a film is spoken, by its words, and how loud.
 *
 * @param isHeard scenes that have a take
 * @returns in order
 */
export const spokenSpans = (
  scenes: readonly TimelineScene[],
  isHeard: (sceneId: string) => boolean,
): (SpokenSpan & { sceneId: string })[] =>
  scenes.flatMap((scene, i) => {
    if (!isHeard(scene.id) || scene.speechEnd <= scene.speechStart) return []
    const lufs = SPEECH_LUFS + readingLevel(scenes, i)
    const [first, last] = [scene.words[0], scene.words.at(-1)]
    // What a voice's clock tells of its words may reach out of the take, and never counts there.
    const start = Math.max(scene.speechStart, first?.start ?? scene.speechStart)
    const end = Math.min(scene.speechEnd, last?.end ?? scene.speechEnd)
    return [{ sceneId: scene.id, start, end: Math.max(start + 1, end), lufs }]
  })
