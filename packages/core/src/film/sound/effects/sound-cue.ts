import type { AskedSound } from '../../../script/asked-sound.ts'
import type { SoundFacts } from './known-sound.ts'

/** In place of which of its scene's sounds it is: of no direction of the script. */
export const BY_ITSELF = -1
/** The sound of the scene's clip. */
export const BY_PICTURE = -2

/** A sound at its place in a film; samples of the film where nothing else is said. */
export interface SoundCue {
  sceneId: string
  /** Which of the scene's sounds it is; below 0 it is of no direction. */
  index: number
  asked: AskedSound
  sound: SoundFacts
  start: number
  /** Exclusive. */
  end: number
  /** Samples of the sound left out at its beginning, and how fast it runs. */
  from: number
  speed: number
  /** Samples it comes and goes in. */
  fades: readonly [rise: number, fall: number]
  /** Decibels it lies below speech. */
  below: number
}

/** Whether a sound stands in the script; otherwise it comes by itself or with a clip. */
export const isAsked = ({ index }: Pick<SoundCue, 'index'>) => index >= 0
