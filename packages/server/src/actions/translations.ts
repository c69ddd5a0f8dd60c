import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { languageOfText } from '@tidy-reel/core/speech/script-language'
import type { AskedTranslation } from '@tidy-reel/core/views/translation'
import type { EpisodeActions } from './episodes.ts'
import type { WritingActions } from './writing.ts'

/** A narration in other languages, asked of the writing service. */
export const translationActions = (episodes: EpisodeActions, writing: WritingActions) => ({
  /**
   * Writes what is missing of a language, or was written for other words, beside its scenes.
   *
   * @throws TidyError `translator_missing` and what the translator throws
   */
  async ask(id: string, language: string, signal: AbortSignal): Promise<AskedTranslation> {
    const { document, revision } = await episodes.find(id)
    const translator = await writing.translator()
    if (!translator) throw new TidyError('translator_missing')
    const track = document.subtitling.tracks.find((one) => one.language === language)
    const current = new Map(track?.texts.map(({ sceneId, of }) => [sceneId, of]))
    const scenes = document.scenes.filter(
      ({ id: sceneId, hidden, text }) => !hidden && current.get(sceneId) !== text,
    )
    if (!scenes.length) return { written: 0, limits: [] }
    const { texts, limits } = await translator.texts(
      { title: document.title, from: languageOfText(document.script), to: language, scenes },
      signal,
    )
    const put = texts.flatMap((text, i) =>
      text === null ? [] : [{ sceneId: itemAt(scenes, i).id, text }],
    )
    await episodes.command(id, revision, { type: 'setTrack', language, texts: put })
    return { written: put.length, limits }
  },
})
export type TranslationActions = ReturnType<typeof translationActions>
