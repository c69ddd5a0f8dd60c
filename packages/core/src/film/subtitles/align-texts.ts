import { SAMPLE_RATE } from '../../time/time.ts'
import type { TimelineScene } from '../../timeline/timeline.ts'

/** A text and when it is seen, in seconds; without times in the order it stands in. */
export interface TimedText {
  text: string
  start?: number
  end?: number
}

/** Texts by scene, and what a person should know of how they came there. */
export interface AlignedTexts {
  texts: { sceneId: string; text: string }[]
  remarks: string[]
}

/** Lengths of two films that differ by less may be two versions of one; by eye. */
const ALIKE = 0.12

/**
 * Subtitles of a film that were made elsewhere, put beside its scenes: by their times where the film
 * is as long, one by one where there are as many as scenes, else by their place in the whole.
 */
export function alignTexts(
  all: readonly TimedText[],
  scenes: readonly Pick<TimelineScene, 'id' | 'startSample' | 'endSample' | 'words'>[],
): AlignedTexts {
  const spoken = scenes.filter(({ words }) => words.length)
  const texts = all.filter(({ text }) => text.trim())
  if (!spoken.length || !texts.length)
    return { texts: [], remarks: ['There is nothing to put anywhere.'] }
  const film = (spoken.at(-1)?.endSample ?? 0) / SAMPLE_RATE
  const theirs = Math.max(...texts.map(({ end = 0 }) => end))
  const isTimed = texts.every(({ start, end }) => start !== undefined && end !== undefined)
  if (!isTimed || Math.abs(theirs / film - 1) > ALIKE) {
    if (texts.length === spoken.length)
      return {
        texts: spoken.map(({ id }, i) => ({ sceneId: id, text: texts[i]?.text ?? '' })),
        remarks: [],
      }
    const length = `${Math.round(theirs)} s`
    const remark = isTimed
      ? `They end after ${length}, the film after ${Math.round(film)} s: they may be of another ` +
        'film. They were put in by their place in the whole; read them through.'
      : `There are ${texts.length} texts for ${spoken.length} scenes: they were put in by their ` +
        'place in the whole; read them through.'
    const scale = isTimed ? film / theirs : 0
    const moments = texts.map(({ start = 0, end = 0 }, i) =>
      isTimed ? ((start + end) / 2) * scale : ((i + 0.5) / texts.length) * film,
    )
    return { texts: byMoments(texts, moments, spoken), remarks: [remark] }
  }
  const moments = texts.map(({ start = 0, end = 0 }) => (start + end) / 2)
  return { texts: byMoments(texts, moments, spoken), remarks: [] }
}

/** Each text to the scene that is spoken in its middle, or was spoken last before it. */
function byMoments(
  texts: readonly TimedText[],
  moments: readonly number[],
  scenes: readonly Pick<TimelineScene, 'id' | 'startSample'>[],
): AlignedTexts['texts'] {
  const put = new Map<string, string[]>()
  texts.forEach(({ text }, i) => {
    const sample = (moments[i] ?? 0) * SAMPLE_RATE
    const scene = scenes.findLast(({ startSample }) => startSample <= sample) ?? scenes[0]
    if (!scene) return
    put.set(scene.id, [...(put.get(scene.id) ?? []), text.replace(/\s+/g, ' ').trim()])
  })
  return [...put].map(([sceneId, parts]) => ({ sceneId, text: parts.join(' ') }))
}
