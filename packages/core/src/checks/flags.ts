import { HOURS } from '../match/hours.ts'
import type { OfferedPicture } from '../match/pick.ts'
import { SCENES_APART } from '../match/scenes-apart.ts'
import { SCENE_SECONDS_LIMIT } from '../script/parse.ts'
import { SAMPLE_RATE } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'
import type { DoubtedClaim } from './claims.ts'

export const FLAGS = [
  'long',
  'missing',
  'weak',
  'short',
  'alike',
  'again',
  'silent',
  'claim',
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
}

/**
 * A caption worn by a whole sentence longer than the parser allows, by more than a voice's own pace
 * explains.
 */
const LONG_SECONDS = SCENE_SECONDS_LIMIT * 1.15

/** What a picture shows, whatever the hour: the words of its title in order. */
const subjectOf = (title: string) =>
  (title.toLowerCase().match(/\p{L}+/gu) ?? [])
    .filter((word) => !HOURS.has(word))
    .sort()
    .join(' ')

/** The flags of every scene of a film, by scene id; scenes without any are left out. */
export function filmFlags(
  { scenes, fps }: Timeline,
  { spoken, picks, byHand, doubted }: FlagFacts,
): Map<string, Flag[]> {
  const flags = new Map<string, Flag[]>()
  const seen = new Map<string, number>()
  let before: { id: string; subject: string } | undefined
  scenes.forEach((scene, n) => {
    if (scene.card !== undefined) return
    const found: Flag[] = []
    const seconds = (scene.speechEnd - scene.speechStart) / SAMPLE_RATE
    if (seconds > LONG_SECONDS)
      found.push({ kind: 'long', text: `speaks for ${seconds.toFixed(1)} s: split it` })
    const offered = picks(scene.id)
    for (const { item, shot, startFrame, endFrame, slip, speed } of scene.shots) {
      const at = shot < 0 ? {} : { shot }
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
      const needed = (((endFrame - startFrame) * fps[1]) / fps[0]) * speed + slip / SAMPLE_RATE
      if (item.kind === 'clip' && item.seconds && item.seconds < needed - 0.05)
        found.push({
          kind: 'short',
          text: `the clip lasts ${item.seconds.toFixed(1)} of ${needed.toFixed(1)} s and starts again`,
          ...at,
        })
      const last = seen.get(item.id)
      const subject = subjectOf(item.title)
      if (item.id === before?.id)
        found.push({ kind: 'alike', text: 'the same picture as before', ...at })
      else if (subject && subject === before?.subject)
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
      before = { id: item.id, subject }
    }
    for (const { words, mark } of doubted(scene.id))
      found.push({ kind: 'claim', text: `“${words}”: ${mark}` })
    if (!spoken(scene.id)) found.push({ kind: 'silent', text: 'not spoken yet' })
    if (found.length) flags.set(scene.id, found)
  })
  return flags
}
