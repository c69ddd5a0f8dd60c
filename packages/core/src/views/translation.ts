/** What came of asking a service for a language. */
export interface AskedTranslation {
  /** Scenes that have a text of it now and had none, or one of other words. */
  written: number
  /** What did not come or was not taken, in words. */
  limits: string[]
}
