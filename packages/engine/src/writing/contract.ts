import type { Brief, Draft, Outline } from '@tidy-reel/core/writing/brief'

/** What the engine needs of somebody who writes. */
export interface Writer {
  /**
   * @throws TidyError `writer_unreachable`, `writer_refused`, `writer_answer_invalid`, `cancelled`
   */
  outline(brief: Brief, signal: AbortSignal): Promise<Outline>
  /** @param speed pace of the voice the length is meant for */
  draft(brief: Brief, outline: Outline, speed: number, signal: AbortSignal): Promise<Draft>
}
