import { z } from 'zod'
import { ChosenItem } from '../match/item.ts'
import { Document, MOODS } from './document.ts'

const sceneId = z.string().min(1).max(40)

/** Every change of a document, as data. */
export const Command = z.discriminatedUnion('type', [
  z.object({ type: z.literal('setTitle'), title: z.string().trim().min(1).max(200) }),
  z.object({ type: z.literal('setScript'), script: z.string() }),
  z.object({ type: z.literal('setVoice'), voice: Document.shape.voice, speed: Document.shape.speed }),
  z.object({ type: z.literal('setMood'), mood: z.enum(MOODS) }),
  /** Replaces a scene's narration; empty text takes the scene out. */
  z.object({ type: z.literal('editNarration'), sceneId, text: z.string().max(20_000) }),
  /** A person's choice for one shot; `null` shows a plain card. */
  z.object({ type: z.literal('setShot'), sceneId, shot: z.number().int().min(0).max(3), item: ChosenItem.nullable() }),
  /** What matching chose; skipped where the narration changed meanwhile, and at shots chosen by hand. */
  z.object({
    type: z.literal('placeShots'),
    scenes: z.array(z.object({ sceneId, text: z.string(), items: z.array(ChosenItem).max(4) })).max(5000),
  }),
])
export type Command = z.infer<typeof Command>
