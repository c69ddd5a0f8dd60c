import { itemAt } from '../faults/certain.ts'
import type { Timeline, TimelineScene, TimelineShot } from './timeline.ts'

/** A picture for as long as it is seen: over all the shots in which it goes on. */
export interface SeenPicture {
  /** The shots in order, with the scene each is in. */
  parts: { scene: TimelineScene; shot: TimelineShot }[]
  /** The scene whose picture it is: the one after the first part where it begins early. */
  of: TimelineScene
  /** Frames it is seen for, without those under the transition after it. */
  frames: number
  /** Frames it goes on under the transition after it. */
  after: number
}

/** The pictures of a film in order, each once, however many scenes it goes on over. */
export function filmPictures({ scenes }: Pick<Timeline, 'scenes'>): SeenPicture[] {
  const pictures: SeenPicture[] = []
  scenes.forEach((scene, n) => {
    for (const shot of scene.shots) {
      const last = pictures.at(-1)
      const frames = shot.endFrame - shot.startFrame
      if (shot.standing === 'on' && last) {
        last.parts.push({ scene, shot })
        last.frames += frames
        continue
      }
      if (last) last.after = shot.transition?.frames ?? 0
      const of = shot.standing === 'early' ? itemAt(scenes, n + 1) : scene
      pictures.push({ parts: [{ scene, shot }], of, frames, after: 0 })
    }
  })
  return pictures
}

/** Of the scenes over which the picture before goes on, which of its pictures is seen there. */
export const goesOnIn = ({ shots }: Pick<TimelineScene, 'shots'>) =>
  shots[0]?.standing === 'on' && shots[0].shot < 0 ? shots[0] : undefined
