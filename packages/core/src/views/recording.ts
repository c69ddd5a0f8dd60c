import { z } from 'zod'
import type { FaultCode } from '../faults/codes.ts'
import { ENGLISH } from '../faults/messages.ts'

/** Why something could not be done. */
export const FaultView = z.object({
  code: z.custom<FaultCode>((code) => typeof code === 'string' && code in ENGLISH),
  message: z.string(),
})
export type FaultView = z.infer<typeof FaultView>

/** A sentence of the script in a recording of the whole. */
export const ReadSentence = z.object({
  sceneId: z.string(),
  text: z.string(),
  /** Seconds of the kept reading; null when there is no good one. */
  start: z.number().nullable(),
  end: z.number().nullable(),
  missing: z.array(z.string()),
  extra: z.array(z.string()),
  /** How often it was begun. */
  tries: z.number(),
  /** The take made of it, ready to be chosen. */
  take: z.string().nullable(),
})
export type ReadSentence = z.infer<typeof ReadSentence>

/** What a recording of the whole came to. */
export const RecordingView = z.object({
  seconds: z.number(),
  remarks: z.array(z.string()),
  sentences: z.array(ReadSentence),
  fault: FaultView.nullable(),
})
export type RecordingView = z.infer<typeof RecordingView>

/** One sentence recorded by itself. */
export interface RecordedView {
  take: string
  seconds: number
  /** Words of it that were not heard. */
  missing: string[]
  remarks: string[]
}
