import type { Document } from '@tidy-reel/core/document/document'
import { type Mood, MOODS } from '@tidy-reel/core/style/film-choices'
import type { EngineConfig } from '@tidy-reel/engine/config'
import { filmLanguage } from '@tidy-reel/engine/make/film-language'
import { filmable } from '@tidy-reel/engine/make/filmable'
import { voiceById, voiceList } from '@tidy-reel/engine/speech/voice-list'
import { askedChoice } from './asked-choice.ts'
import { styled } from './styled.ts'

/** What of a film may be asked for in the shell. */
export interface FilmFlags {
  style?: string
  voice?: string
  mood?: string
}

/** @throws TidyError `option_invalid` for a mood that is none */
export const askedMood = (mood: string): Mood => askedChoice('--mood', mood, MOODS)

/**
 * A document with what the shell asks for: flags win over what it says, and a voice nobody chose
 * speaks the script's language, which is told.
 *
 * @throws TidyError `option_invalid`, what `voiceById` and `filmable` throw
 */
export function askedFilm(written: Document, flags: FilmFlags, config: EngineConfig): Document {
  const voices = voiceList(config.data)
  if (flags.voice) voiceById(voices, flags.voice)
  const asked: Document = {
    ...styled(written, flags.style),
    ...(flags.voice ? { voice: flags.voice } : {}),
    ...(flags.mood ? { mood: askedMood(flags.mood) } : {}),
  }
  const { voice, remarks } = filmLanguage(asked, voices, flags.voice !== undefined)
  const film = voice ? { ...asked, voice } : asked
  filmable(film)
  for (const remark of remarks) process.stderr.write(`${remark}\n`)
  return film
}
