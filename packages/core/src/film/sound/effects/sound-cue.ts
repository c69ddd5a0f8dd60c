import type { AskedSound } from '../../../script/asked-sound.ts'
import type { SoundFacts } from './known-sound.ts'

/** A sound at its place in a film; samples of the film where nothing else is said. */
export interface SoundCue {
  sceneId: string
  /** Which of the scene's sounds it is. */
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
