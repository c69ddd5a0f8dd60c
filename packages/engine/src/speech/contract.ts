/** A word as an engine spoke it, in seconds from the start of its sound. */
export interface RawWord {
  text: string
  start: number
  end: number
}

/** Sound as an engine makes it: mono. */
export interface RawSpeech {
  pcm: Int16Array
  rate: number
  /** Where each word is, of engines that tell. */
  words?: RawWord[]
}

/** What an engine is asked to say. */
export interface SpeechOrder {
  /** As it is spoken (`spokenForm`), a word in IPA between slashes. */
  text: string
  /** How much slower than by itself the engine is to speak. */
  stretch: number
  /** How lively the melody is: 1 as the engine does it by itself. */
  melody: number
}
