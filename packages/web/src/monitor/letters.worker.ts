import type { Film } from '@tidy-reel/core/document/film-scenes'
import type { SegmentShot } from '@tidy-reel/core/film/shots'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { filmLetters } from './film-letters.ts'

/** A film to be lettered; of several that wait only the last is wanted. */
export interface LettersAsked {
  film: Timeline
  plan: Film
  shots: SegmentShot[][]
  width: number
  height: number
}

self.onmessage = ({ data }: MessageEvent<LettersAsked>) =>
  self.postMessage(filmLetters(data.film, data.plan, data.shots, data.width, data.height))
