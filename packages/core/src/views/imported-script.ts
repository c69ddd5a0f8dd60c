import type { Item } from '../pictures/item.ts'

/** A script made of a file or a page, its pictures taken into the library. */
export interface ImportedScriptView {
  title: string
  script: string
  /** What was left out, in words. */
  left: string[]
  /** Each for the scenes in a stretch `[from, to)` of the script. */
  pictures: { item: Item; from: number; to: number }[]
}
