import { DEFAULT_VOICE, type Document } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { type LanguageAdvice, languageAdvice } from '@tidy-reel/core/speech/language-advice'
import type { VoiceList } from '../speech/voice-list.ts'

/**
 * Whether a film's voice speaks the language of its script, and who else does.
 *
 * @param isChosen somebody asked for this voice
 */
export function filmLanguage(
  document: Document,
  { voices }: VoiceList,
  isChosen: boolean,
): LanguageAdvice {
  const text = filmOf(document)
    .scenes.map((scene) => scene.text)
    .join(' ')
  const chosen = { id: document.voice, isUsual: !isChosen && document.voice === DEFAULT_VOICE }
  const best = [...voices].sort((a, b) => b.rating - a.rating)
  return languageAdvice(text, chosen, best)
}
