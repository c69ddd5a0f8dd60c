/** Scenes whose narration is wanted in another language. */
export interface FilmToTranslate {
  title: string
  /** BCP 47, of the narration; left out where nobody can tell. */
  from?: string | undefined
  /** The wanted one, BCP 47. */
  to: string
  scenes: readonly { text: string }[]
}

export interface Translated {
  /** One a scene, in order; null where nothing usable came. */
  texts: (string | null)[]
  /** What did not come or was not taken, in words; scenes by their place among those asked for. */
  limits: string[]
}

/** What the engine needs of somebody who translates a narration. */
export interface Translator {
  /**
   * @throws TidyError `writer_unreachable`, `writer_refused`, `writer_answer_invalid` where nothing
   *   came at all; `cancelled`
   */
  texts(film: FilmToTranslate, signal: AbortSignal): Promise<Translated>
}
