import type { Document } from '../document/document.ts'
import type { FilmScene } from '../document/film-scenes.ts'
import type { Emphasis, Finish } from '../document/voicing.ts'
import type { Pronunciation } from '../text/pronunciation.ts'

/** What is asked of a voice. */
export interface TakeRequest {
  text: string
  voice: string
  speed: number
  finish?: Finish
  emphasis?: Emphasis
  /** Of the silences inside the take. */
  pauses?: number
  pronunciations?: readonly Pronunciation[]
  /**
   * The longest silence left inside the take, in seconds; breaths and fillers of a recording go
   * with it. Left out, all stay.
   */
  tighten?: number
  /**
   * A take that a person chose for the text: nothing is spoken then; a recording is finished as
   * asked.
   */
  take?: string
}

type Spoken = Pick<Document, 'voice' | 'speed' | 'speaking'>
/** A scene, or words that are not in the film yet. */
type Words = Pick<FilmScene, 'text'> &
  Partial<Pick<FilmScene, 'speaker' | 'voice' | 'pace' | 'emphasis' | 'take'>>

/**
 * Who speaks a scene: its own voice, else its speaker's, else the film's.
 *
 * @returns the id of a voice; that it is there is not looked at
 */
export const voiceOf = (
  { voice, speaking }: Spoken,
  scene: Pick<Words, 'voice' | 'speaker'>,
): string =>
  scene.voice ?? speaking.speakers.find(({ name }) => name === scene.speaker)?.voice ?? voice

/**
 * What a film's settings ask of a voice, for one scene after another.
 *
 * @param channel its pronunciations, under those of the document
 */
export function takeRequester(
  document: Spoken,
  channel: readonly Pronunciation[],
): (words: Words) => TakeRequest {
  const { finish, pauses, tighten, pronunciations: own } = document.speaking
  const known = new Set(own.map(({ word }) => word))
  const pronunciations = [...own, ...channel.filter(({ word }) => !known.has(word))]
  return (words) => ({
    text: words.text,
    voice: voiceOf(document, words),
    speed: clampSpeed(document.speed * (words.pace ?? 1)),
    finish,
    pauses,
    pronunciations,
    ...(words.emphasis ? { emphasis: words.emphasis } : {}),
    ...(words.take ? { take: words.take } : {}),
    ...(tighten ? { tighten } : {}),
  })
}

const clampSpeed = (speed: number) => Math.min(1.6, Math.max(0.6, Math.round(speed * 1000) / 1000))
