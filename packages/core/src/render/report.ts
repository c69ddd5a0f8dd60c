import type { Step } from './progress.ts'

/** What was made and measured of a film. */
export interface FilmReport {
  /** Seconds each step took. */
  steps: Partial<Record<Step | 'match', number>>
  seconds: number
  frames: number
  /** `30/1`. */
  fps: string
  /** `1920x1080`. */
  size: string
  scenes: number
  /** Integrated loudness of the whole film. */
  lufs: number
  /** What it was to be; left out of older reports. */
  wantedLufs?: number
  /** dBTP. */
  truePeak: number
  speechLufs: number
  /** LU the music lies under the sentence it comes nearest to; null without music or speech. */
  bedBelowSpeech: number | null
  segmentsReused: number
  segments: number
  /** It can be read in, beside the one it is spoken in; BCP 47. Left out of older reports. */
  languages?: string[]
  /** What a person should know: pictures that could not be had, sentences no voice could speak. */
  remarks: string[]
}
