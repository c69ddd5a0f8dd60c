import { z } from 'zod'
import { ChosenItem } from '../match/item.ts'

/** One picture of a scene. Without an item the film shows a plain card in its place. */
export const Shot = z.object({
  item: ChosenItem.nullable(),
  /** Who chose it: what a person chose is never replaced by matching. */
  by: z.enum(['match', 'hand']),
})
export type Shot = z.infer<typeof Shot>

export const Scene = z.object({
  id: z.string().min(1).max(40),
  /** Narration; always what `parseScript` reads at this place of the script. */
  text: z.string().min(1),
  shots: z.array(Shot).max(4),
})
export type Scene = z.infer<typeof Scene>

export const MOODS = ['calm', 'warm', 'bright', 'solemn', 'none'] as const
export type Mood = (typeof MOODS)[number]

/** All that a person decides about a film. Everything else is derived from it. */
export const Document = z.object({
  version: z.literal(1),
  title: z.string().min(1).max(200),
  /** The narration with its markup: the one truth of what is said and shown in which order. */
  script: z.string(),
  voice: z.string().min(1).max(80),
  /** 1 = the voice's own pace. */
  speed: z.number().min(0.6).max(1.6),
  mood: z.enum(MOODS),
  scenes: z.array(Scene),
  /** Number of the next new scene, so that ids never come back. */
  nextId: z.number().int().positive(),
})
export type Document = z.infer<typeof Document>

export const DEFAULT_VOICE = 'flite-slt'

export function emptyDocument(title: string): Document {
  return { version: 1, title, script: '', voice: DEFAULT_VOICE, speed: 1, mood: 'calm', scenes: [], nextId: 1 }
}
