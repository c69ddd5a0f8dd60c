import { z } from 'zod'
import { ChosenItem } from './item.ts'
import { PLACES } from './place.ts'

/** How a picture laid over another comes, and how it goes. */
export const INLAY_ENTRANCES = ['none', 'fade', 'slide', 'grow'] as const
export type InlayEntrance = (typeof INLAY_ENTRANCES)[number]

/** Laid over one scene at most. */
export const INLAYS_LIMIT = 6

const share = z.number().min(0).max(1)

/** Where it stands: a place by its name, or its middle in shares of the picture. */
export const InlayPlace = z.union([
  z.enum(PLACES),
  z.object({ across: share, down: share }).strict(),
])
export type InlayPlace = z.infer<typeof InlayPlace>

/** A still laid over a scene's picture. Shares are of the film's shorter side. */
export const Inlay = z.object({
  item: ChosenItem,
  at: InlayPlace,
  /** Of its longer side. */
  size: z.number().min(0.05).max(1.6),
  /** Degrees, clockwise. */
  turn: z.number().min(-180).max(180),
  /** Of its corners, in shares of its own shorter side: 0.5 makes a disc of a square. */
  round: z.number().min(0).max(0.5),
  /** Of the edge around it. */
  edge: z.number().min(0).max(0.05),
  /** A soft shade behind it. */
  shade: z.boolean(),
  comes: z.enum(INLAY_ENTRANCES),
  /** The word of the narration it comes with, counted from 0; left out, with the scene. */
  word: z.number().int().positive().optional(),
})
export type Inlay = z.infer<typeof Inlay>

/** What a picture is laid over by, if nobody says otherwise; by eye. */
export const PLAIN_INLAY: Omit<Inlay, 'item'> = {
  at: 'right',
  size: 0.5,
  turn: 0,
  round: 0,
  edge: 0.008,
  shade: true,
  comes: 'fade',
}

/** The channel's own mark, on all of a film. */
export const Sign = z.object({
  item: ChosenItem,
  at: z.enum(PLACES),
  /** Of its longer side, in shares of the film's shorter side. */
  size: z.number().min(0.03).max(0.5),
  /** 1 hides what is behind it. */
  strength: z.number().min(0.1).max(1),
})
export type Sign = z.infer<typeof Sign>

/** How a sign stands, if nobody says otherwise; by eye. */
export const PLAIN_SIGN: Omit<Sign, 'item'> = { at: 'head-right', size: 0.12, strength: 0.85 }

/**
 * How a shot's pictures share the film's: beside each other, one over the other, the second in a
 * corner at the head of the first, or one as a framed print on the style's paper.
 */
export const LAYOUTS = ['beside', 'over', 'corner-left', 'corner-right', 'print'] as const
export type LayoutKind = (typeof LAYOUTS)[number]

export const Layout = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('print') }),
  z.object({ kind: z.enum(['beside', 'over', 'corner-left', 'corner-right']), second: ChosenItem }),
])
export type Layout = z.infer<typeof Layout>

/** What shows pictures: a scene of a document or of a film. */
interface Showing {
  shots: readonly { item: ChosenItem | null; layout?: Layout | undefined }[]
  inlays?: readonly Pick<Inlay, 'item'>[] | undefined
}

/** Every picture of a scene, in the order they are seen. @returns `[]` for one of plain cards */
export const itemsIn = ({ shots, inlays = [] }: Showing): ChosenItem[] => [
  ...shots.flatMap(({ item, layout }) => [
    ...(item ? [item] : []),
    ...(layout && layout.kind !== 'print' ? [layout.second] : []),
  ]),
  ...inlays.map(({ item }) => item),
]
