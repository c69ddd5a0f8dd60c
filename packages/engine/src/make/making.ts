import type { Document } from '@tidy-reel/core/document/document'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { Progress } from '@tidy-reel/core/render/progress'
import type { FilmReport } from '@tidy-reel/core/render/report'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import type { EngineConfig, folders } from '../config.ts'
import type { PictureLibrary } from '../stock/contract.ts'

export interface MakeContext {
  config: EngineConfig
  library: PictureLibrary
  signal: AbortSignal
  onProgress: (progress: Progress) => void
  /** How the channel says words. */
  pronunciations?: readonly Pronunciation[]
  /** Seconds that matching took before, for the report. */
  matchSeconds?: number
}

/** A film on its way: what it is made from, where to, and how far it is. */
export interface Making extends MakeContext {
  document: Document
  film: Film
  shape: FilmShape
  out: string
  place: ReturnType<typeof folders> & { work: string }
  /** Seconds of the steps that are done. */
  steps: FilmReport['steps']
}

/** The folder of one run: two at once, of the same film too, do not meet. */
export const workName = () => `${process.pid}-${Math.random().toString(36).slice(2, 8)}`
