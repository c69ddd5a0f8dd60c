import { type FilmFinding, isFaulty } from './film-finding.ts'
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
  /** Seconds a picture was to be seen at most; left out of older reports. */
  longestPicture?: number
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
  /**
   * What programs that did not make the film found in it; empty where it is what it should be. Left
   * out of a film that was not looked through.
   */
  check?: FilmFinding[]
  /** Who saw what is wrong with it took it anyway, and said why; `at` is ISO 8601. */
  taken?: { reason: string; at: string }
}

/** The longest reason for taking a film that failed its check, in characters. */
export const REASON_LIMIT = 300

/** Whether a film failed its check and nobody has taken it anyway. */
export const isHeldBack = ({ check, taken }: FilmReport): boolean => !taken && isFaulty(check ?? [])
