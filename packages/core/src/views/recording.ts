import type { FaultCode } from '../faults/codes.ts'

/** A sentence of the script in a recording of the whole. */
export interface ReadSentence {
  sceneId: string
  text: string
  /** Seconds of the kept reading; null when there is no good one. */
  start: number | null
  end: number | null
  missing: string[]
  extra: string[]
  /** How often it was begun. */
  tries: number
  /** The take made of it, ready to be chosen. */
  take: string | null
}

/** What a recording of the whole came to. */
export interface RecordingView {
  seconds: number
  remarks: string[]
  sentences: ReadSentence[]
  fault: { code: FaultCode; message: string } | null
}

/** One sentence recorded by itself. */
export interface RecordedView {
  take: string
  seconds: number
  /** Words of it that were not heard. */
  missing: string[]
  remarks: string[]
}
