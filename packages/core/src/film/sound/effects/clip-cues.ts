import { itemAt } from '../../../faults/certain.ts'
import { SAMPLE_RATE, sampleAtFrame } from '../../../time/time.ts'
import { filmPictures } from '../../../timeline/pictures.ts'
import type { Timeline } from '../../../timeline/timeline.ts'
import { filesIn, filmShots } from '../../shots.ts'
import { BY_PICTURE, type SoundCue } from './sound-cue.ts'
import { GOES_ON_BELOW, LEAST_FADE, LEAST_SAMPLES, type SoundOf } from './sound-levels.ts'

/** A clip that is to be heard and has no sound. */
export interface SilentClip {
  sceneId: string
  title: string
}

/**
 * The sound of clips that is let through: as long as its picture is seen, under the transition
 * after it too, from the same place of the clip and as fast as it runs. What the clip has no
 * pictures left for has no sound either.
 *
 * @param found a clip's sound by its id; null where it has none, undefined where nobody has looked
 *   yet
 */
export function clipCues(
  timeline: Timeline,
  found: SoundOf,
): { cues: SoundCue[]; silent: SilentClip[] } {
  const { fps, scenes } = timeline
  // Most films let none be heard, and all of this is asked for anew with every edit.
  if (!scenes.some(({ shots }) => shots.some(({ heard }) => heard))) return { cues: [], silent: [] }
  const runs = filmShots(timeline, () => true).flat()
  const cues: SoundCue[] = []
  const silent: SilentClip[] = []
  let n = 0
  for (const { parts, of, frames, after } of filmPictures(timeline)) {
    const [clip] = filesIn(itemAt(runs, n).source)
    n += parts.length
    const { heard, startFrame, transition } = itemAt(parts, 0).shot
    if (!heard || clip?.kind !== 'clip') continue
    const { item, slip: from, speed } = clip
    const sound = found(item.id)
    if (sound === null) silent.push({ sceneId: of.id, title: item.title })
    if (!sound) continue
    const start = sampleAtFrame(startFrame, fps)
    const seen = sampleAtFrame(startFrame + frames + after, fps)
    const whole = Math.floor((sound.loopSamples - from) / speed)
    const end = Math.min(timeline.samples, seen, start + whole)
    if (end - start < LEAST_SAMPLES) continue
    // Under a transition one picture's sound gives way to the next one's.
    const fading = (frames: number) =>
      Math.min(
        (end - start) / 2,
        Math.max(LEAST_FADE, heard.fade * SAMPLE_RATE, sampleAtFrame(frames, fps)),
      )
    const fades = [fading(transition?.frames ?? 0), fading(after)] as const
    cues.push({
      ...{ sceneId: of.id, index: BY_PICTURE, asked: { words: item.title }, sound },
      ...{ start, end, from, speed, fades, below: GOES_ON_BELOW.usual - heard.db },
    })
  }
  return { cues, silent }
}
