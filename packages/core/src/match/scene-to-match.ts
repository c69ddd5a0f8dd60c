/** What matching needs to know of a scene. */
export interface SceneToMatch {
  text: string
  /** The words of its `[picture: …]`, which win over the narration. */
  picture?: string
  /** What no picture of it may show. */
  not?: readonly string[]
  chapter: number
  chapterTitle?: string
  /** Seconds the scene lasts, pause included. */
  seconds: number
}
