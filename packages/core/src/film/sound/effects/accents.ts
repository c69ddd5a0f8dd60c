import type { Film } from '../../../document/film-scenes.ts'
import { itemAt } from '../../../faults/certain.ts'
import { isDrawn } from '../../../script/parse.ts'
import type { Accents } from '../../../style/film-choices.ts'
import { SAMPLE_RATE, sampleAtFrame } from '../../../time/time.ts'
import type { Timeline } from '../../../timeline/timeline.ts'
import { BY_ITSELF, type SoundCue } from './sound-cue.ts'
import type { SoundOf } from './sound-levels.ts'

/** What is heard at a transition, and where a card or something drawn comes: words it is found by. */
const WORDS: Record<keyof Accents, string> = { transitions: 'whoosh', cards: 'click' }
/** Decibels below speech: felt more than heard (by ear). */
const BELOW: Record<keyof Accents, number> = { transitions: 22, cards: 20 }
/** What comes while somebody speaks twice a second is a rattle. */
const LEAST_APART = SAMPLE_RATE / 2
/** Coming and going, so that nothing clicks that should not. */
const FADE = SAMPLE_RATE / 250

/** Words of the sounds that a film has by itself. */
export const accentWords = (accents: Accents): string[] =>
  (['transitions', 'cards'] as const).flatMap((kind) => (accents[kind] ? [WORDS[kind]] : []))

interface Place {
  kind: keyof Accents
  sceneId: string
  at: number
}

/** Where a transition begins, a card stands or something is drawn; in order. */
function places({ scenes, fps }: Timeline, film: Pick<Film, 'scenes'>): Place[] {
  const found = scenes.flatMap((scene, n): Place[] => {
    const { directions, before = [] } = itemAt(film.scenes, n)
    const of = { sceneId: scene.id }
    const changes = scene.shots.flatMap((shot): Place[] =>
      shot.transition
        ? [{ ...of, kind: 'transitions', at: sampleAtFrame(shot.startFrame, fps) }]
        : [],
    )
    const drawn = directions.flatMap((one, d): Place[] => {
      const at = scene.words[before[d] ?? 0]?.start ?? scene.startSample
      return isDrawn(one) ? [{ ...of, kind: 'cards', at }] : []
    })
    const card: Place[] =
      scene.card === undefined ? [] : [{ ...of, kind: 'cards', at: scene.startSample }]
    return [...changes, ...card, ...drawn]
  })
  return found.sort((a, b) => a.at - b.at)
}

/**
 * Sounds that come by themselves: a whoosh at each transition, a click where a card or something
 * drawn comes, as the film wants them.
 *
 * @param found what fits words; null where nothing does, undefined where nobody has looked yet
 */
export function accentCues(
  timeline: Timeline,
  film: Pick<Film, 'scenes' | 'accents'>,
  found: SoundOf,
): SoundCue[] {
  const cues: SoundCue[] = []
  for (const { kind, sceneId, at } of places(timeline, film)) {
    const sound = film.accents[kind] ? found(WORDS[kind]) : undefined
    const last = cues.at(-1)
    if (!sound || sound.goesOn || (last && at - last.start < LEAST_APART)) continue
    const end = Math.min(timeline.samples, at + sound.loopSamples)
    if (end <= at) continue
    const fade = Math.min(FADE, (end - at) / 2)
    cues.push({
      ...{ sceneId, index: BY_ITSELF, asked: { words: WORDS[kind] }, sound },
      ...{ start: at, end, from: 0, speed: 1, fades: [fade, fade], below: BELOW[kind] },
    })
  }
  return cues
}
