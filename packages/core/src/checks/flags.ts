import { itemAt } from '../faults/certain.ts'
import type { UnmetSound } from '../film/sound/effects/sound-cues.ts'
import type { OfferedPicture } from '../match/pick.ts'
import { SCENES_APART } from '../match/scenes-apart.ts'
import { seriesOf } from '../match/series.ts'
import { SLOWED_MOST } from '../pictures/clip.ts'
import { SCENE_SECONDS_LIMIT } from '../script/parse.ts'
import { SAMPLE_RATE } from '../time/time.ts'
import { filmPictures } from '../timeline/pictures.ts'
import type { Timeline, TimelineScene, TimelineShot } from '../timeline/timeline.ts'
import type { DoubtedClaim } from './claims.ts'

export const FLAGS = [
  'long',
  'missing',
  'weak',
  'brief',
  'short',
  'alike',
  'again',
  'silent',
  'claim',
  'sound',
] as const
export type FlagKind = (typeof FLAGS)[number]

/** Something on the sheet that a person should look at. */
export interface Flag {
  kind: FlagKind
  /** What is the matter, with its figures. */
  text: string
  /** The scene's shot it is about, as the document counts. */
  shot?: number
}

/** What flags are judged by, beside the timeline. */
export interface FlagFacts {
  /** Whether a scene has been spoken. */
  spoken: (sceneId: string) => boolean
  /** What matching offered; undefined while it has not looked yet. */
  picks: (sceneId: string) => readonly OfferedPicture[] | undefined
  /** Whether a person chose a shot: then it is no longer doubted. */
  byHand: (sceneId: string, shot: number) => boolean
  /** Claims of a scene that somebody marked unsure or wrong. */
  doubted: (sceneId: string) => readonly DoubtedClaim[]
  /** Sounds of a scene that nothing fits. */
  unheard?: (sceneId: string) => readonly Pick<UnmetSound, 'words'>[]
  /** Music of a scene that nothing fits. */
  unplayed?: (sceneId: string) => readonly Pick<UnmetSound, 'words'>[]
}

/**
 * A caption worn by a whole sentence longer than the parser allows, by more than a voice's own pace
 * explains.
 */
const LONG_SECONDS = SCENE_SECONDS_LIMIT * 1.15

/** A picture seen for less flashes by. */
const LEAST_SECONDS = 2
/** A clip that is too short by so little runs slower; nobody sees it. */
const SLOWED = 1 - SLOWED_MOST

/** Of a scene, its own pictures, each with the frames it is seen for wherever it goes on. */
function picturesByScene(film: Pick<Timeline, 'scenes'>) {
  const known = new Map<TimelineScene, (TimelineShot & { frames: number })[]>()
  for (const { parts, of, frames } of filmPictures(film)) {
    const own = parts.find(({ scene }) => scene === of) ?? itemAt(parts, 0)
    known.set(of, [...(known.get(of) ?? []), { ...own.shot, frames }])
  }
  return (scene: TimelineScene) => known.get(scene) ?? []
}

/** The flags of every scene of a film, by scene id; scenes without any are left out. */
export function filmFlags(
  { scenes, fps }: Timeline,
  { spoken, picks, byHand, doubted, unheard = () => [], unplayed = () => [] }: FlagFacts,
): Map<string, Flag[]> {
  const flags = new Map<string, Flag[]>()
  const ownPictures = picturesByScene({ scenes })
  const seen = new Map<string, number>()
  let before: { id: string; series: string } | undefined
  scenes.forEach((scene, n) => {
    if (scene.card !== undefined) return
    const found: Flag[] = []
    const seconds = (scene.speechEnd - scene.speechStart) / SAMPLE_RATE
    if (seconds > LONG_SECONDS)
      found.push({ kind: 'long', text: `speaks for ${seconds.toFixed(1)} s: split it` })
    const offered = picks(scene.id)
    for (const { item, shot, frames, slip, speed } of ownPictures(scene)) {
      const at = shot < 0 ? {} : { shot }
      const seconds = (frames * fps[1]) / fps[0]
      if (!item) {
        if (offered) found.push({ kind: 'missing', text: 'no picture', ...at })
        before = undefined
        continue
      }
      if (
        !byHand(scene.id, shot) &&
        offered?.some((pick) => pick.item.id === item.id && pick.sure === 'weak')
      )
        found.push({ kind: 'weak', text: 'the picture may not fit', ...at })
      if (!byHand(scene.id, shot) && seconds < LEAST_SECONDS)
        found.push({ kind: 'brief', text: `is seen for ${seconds.toFixed(1)} s only`, ...at })
      const needed = seconds * speed * SLOWED + slip / SAMPLE_RATE
      if (item.kind === 'clip' && item.seconds && item.seconds < needed)
        found.push({
          kind: 'short',
          text: `the clip ends after ${item.seconds.toFixed(1)} of ${seconds.toFixed(1)} s; its last frame stands`,
          ...at,
        })
      const last = seen.get(item.id)
      const series = seriesOf(item.title)
      if (item.id === before?.id)
        found.push({ kind: 'alike', text: 'the same picture as before', ...at })
      else if (series && series === before?.series)
        found.push({ kind: 'alike', text: 'looks like the picture before', ...at })
      else if (last !== undefined && n - last <= SCENES_APART)
        found.push({
          kind: 'again',
          text:
            n === last
              ? 'twice in this scene'
              : `seen ${n - last} scene${n - last > 1 ? 's' : ''} ago`,
          ...at,
        })
      seen.set(item.id, n)
      before = { id: item.id, series }
    }
    for (const { words, mark } of doubted(scene.id))
      found.push({ kind: 'claim', text: `“${words}”: ${mark}` })
    for (const { words } of unheard(scene.id))
      found.push({ kind: 'sound', text: `no sound fits “${words}”` })
    for (const { words } of unplayed(scene.id))
      found.push({ kind: 'sound', text: `no music fits “${words}”` })
    if (!spoken(scene.id)) found.push({ kind: 'silent', text: 'not spoken yet' })
    if (found.length) flags.set(scene.id, found)
  })
  return flags
}
