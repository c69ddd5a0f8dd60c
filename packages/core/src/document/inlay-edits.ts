import { INLAYS_LIMIT } from '../pictures/inlay.ts'
import type { Scene } from './document.ts'

type Inlaid = Pick<Scene, 'inlays'>

/** A scene with just these laid over it. */
const inlaid = (inlays: NonNullable<Scene['inlays']>): Inlaid => (inlays.length ? { inlays } : {})

const comesAt = (inlay: NonNullable<Scene['inlays']>[number], word: number) => {
  const { word: _, ...rest } = inlay
  return word > 0 ? { ...rest, word } : rest
}

/** What is laid over both halves of a scene parted before a word: each goes with its word. */
export function partedInlays({ inlays = [] }: Inlaid, at: number): [Inlaid, Inlaid] {
  const first = inlays.filter(({ word = 0 }) => word < at)
  const second = inlays.filter(({ word = 0 }) => word >= at)
  return [inlaid(first), inlaid(second.map((inlay) => comesAt(inlay, (inlay.word ?? 0) - at)))]
}

/** What is laid over two scenes made one; of too many the last are left out. */
export function joinedInlays(first: Inlaid, words: number, second: Inlaid): Inlaid {
  const moved = (second.inlays ?? []).map((inlay) => comesAt(inlay, (inlay.word ?? 0) + words))
  return inlaid([...(first.inlays ?? []), ...moved].slice(0, INLAYS_LIMIT))
}
