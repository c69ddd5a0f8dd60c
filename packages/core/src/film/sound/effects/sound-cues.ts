import type { Film } from '../../../document/film-scenes.ts'
import { itemAt } from '../../../faults/certain.ts'
import { type AskedSound, readSound } from '../../../script/asked-sound.ts'
import { SAMPLE_RATE } from '../../../time/time.ts'
import { stretchEnd, type Timeline, type TimelineScene } from '../../../timeline/timeline.ts'
import { accentCues } from './accents.ts'
import { clipCues, type SilentClip } from './clip-cues.ts'
import type { SoundFacts } from './known-sound.ts'
import { isAsked, type SoundCue } from './sound-cue.ts'
import {
  GOES_ON_BELOW,
  LEAST_FADE,
  LEAST_SAMPLES,
  ONCE_BELOW,
  type SoundOf,
} from './sound-levels.ts'

/** A direction that no sound fits. */
export interface UnmetSound {
  sceneId: string
  index: number
  words: string
}

const BELOW = { goesOn: GOES_ON_BELOW, once: ONCE_BELOW } as const
/** Seconds a sound comes and goes in by itself. */
const FADES = { goesOn: [1, 1.5], once: [0.004, 0.03] } as const

const samples = (seconds: number) => Math.round(seconds * SAMPLE_RATE)

/** What is heard in a film beside voice and music: by words of the script, by ids of clips. */
export interface FoundSounds {
  ofWords: SoundOf
  ofClip: SoundOf
}

/** What is laid along a film, and what is not there to be laid. */
export interface LaidSounds {
  cues: SoundCue[]
  unmet: UnmetSound[]
  silent: SilentClip[]
}

/**
 * The sounds a script asks for, each where its direction stands among the words, those that come by
 * themselves and those of clips.
 *
 * @returns cues by their start; one that begins behind the film's end is left out
 */
export function soundCues(
  timeline: Timeline,
  film: Pick<Film, 'scenes' | 'accents'>,
  { ofWords, ofClip }: FoundSounds,
): LaidSounds {
  const { cues: clips, silent } = clipCues(timeline, ofClip)
  const cues: SoundCue[] = [...accentCues(timeline, film, ofWords), ...clips]
  const unmet: UnmetSound[] = []
  timeline.scenes.forEach((scene, n) => {
    const { directions, before } = itemAt(film.scenes, n)
    let index = -1
    directions.forEach((direction, d) => {
      if (direction.kind !== 'sound') return
      index++
      const asked = readSound(direction.text)
      const sound = ofWords(asked.words)
      const of = { sceneId: scene.id, index }
      if (sound === null) unmet.push({ ...of, words: asked.words })
      const cue = sound && cueOf(timeline, n, { asked, sound, word: before?.[d] ?? 0 })
      if (cue) cues.push({ ...of, ...cue })
    })
  })
  cues.sort((a, b) => a.start - b.start)
  return { cues: cues.map((cue) => crossed(cue, cues, timeline.samples)), unmet, silent }
}

/** Where one that goes on ends as another begins, it is still heard under the other's coming. */
const CROSSING = 1.5 * SAMPLE_RATE
/** Ends and beginnings so near to each other are one place. */
const ONE_PLACE = SAMPLE_RATE / 10

function crossed(cue: SoundCue, cues: readonly SoundCue[], film: number): SoundCue {
  const isNext = ({ start, sound }: SoundCue) =>
    sound.goesOn && Math.abs(start - cue.end) < ONE_PLACE
  const isRound = cue.sound.goesOn && isAsked(cue) && typeof cue.asked.lasts !== 'number'
  if (!isRound || !cues.some(isNext)) return cue
  const [rise, fall] = cue.fades
  const end = Math.min(film, cue.end + CROSSING)
  return { ...cue, end, fades: [rise, Math.max(fall, end - cue.end)] }
}

function cueOf(
  timeline: Timeline,
  n: number,
  { asked, sound, word }: { asked: AskedSound; sound: SoundFacts; word: number },
): Omit<SoundCue, 'sceneId' | 'index'> | undefined {
  const scene = itemAt(timeline.scenes, n)
  const { speed = 1, after = 0, db = 0, level = 'usual' } = asked
  const from = sound.goesOn
    ? samples(asked.from ?? 0) % sound.loopSamples
    : Math.min(samples(asked.from ?? 0), sound.loopSamples)
  const start = Math.max(0, placeOf(scene, word, sound.goesOn) + samples(after))
  const isRound = sound.goesOn && asked.lasts !== 'once'
  const whole = isRound ? Infinity : Math.floor((sound.loopSamples - from) / speed)
  const stretch = endOf(timeline, n, asked, sound)
  const asLong = typeof asked.lasts === 'number' ? start + samples(asked.lasts) : stretch
  const end = Math.min(timeline.samples, asLong, start + whole)
  if (end - start < LEAST_SAMPLES) return undefined
  const kind = sound.goesOn ? 'goesOn' : 'once'
  const most = (end - start) / 2
  const [rise, fall] = FADES[kind]
  return {
    asked,
    sound,
    start,
    end,
    from,
    speed,
    fades: [
      Math.min(most, Math.max(LEAST_FADE, samples(asked.fadeIn ?? rise))),
      Math.min(most, Math.max(LEAST_FADE, samples(asked.fadeOut ?? fall))),
    ],
    below: BELOW[kind][level] - db,
  }
}

/** Before its first word what goes on begins with the scene, what is heard once with the voice. */
function placeOf(scene: TimelineScene, word: number, goesOn: boolean): number {
  if (word > 0) return scene.words[word]?.start ?? scene.speechEnd
  return goesOn ? scene.startSample : scene.speechStart
}

/** What goes on lasts as its scene, what is heard once as long as it does by itself. */
function endOf(
  timeline: Timeline,
  n: number,
  { lasts }: AskedSound,
  { goesOn }: SoundFacts,
): number {
  const asked = lasts ?? (goesOn ? 'scene' : 'once')
  if (typeof asked === 'number' || asked === 'once') return Infinity
  return stretchEnd(timeline, itemAt(timeline.scenes, n), asked)
}
