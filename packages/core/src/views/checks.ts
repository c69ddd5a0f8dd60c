import type { Things } from '../checks/things.ts'
import type { Pronunciation } from '../text/pronunciation.ts'

/** What the server knows of a script that the browser cannot tell by itself. */
export interface ScriptChecks {
  things: Things
  misspelt: { word: string; suggestions: string[] }[]
}

/** A channel as its rooms need it. */
export interface ChannelView {
  id: string
  name: string
  /** Words of its own, spelt right. */
  words: string[]
  pronunciations: Pronunciation[]
  favouriteVoices: string[]
}
