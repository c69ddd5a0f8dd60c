import type { Film } from '@tidy-reel/core/document/film-scenes'
import { type CueRow, cueRows } from '@tidy-reel/core/film/subtitles/cue-rows'
import { filmCues, filmLimits } from '@tidy-reel/core/film/subtitles/film-cues'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'

/** A film whose subtitles are to be listed. */
export interface CuesAsked {
  film: Timeline
  plan: Pick<Film, 'lettering' | 'subtitling'>
}

/** Subtitles are read through as they stand on a wide film. */
const WIDE = { width: 1920, height: 1080 }

self.onmessage = ({ data: { film, plan } }: MessageEvent<CuesAsked>) => {
  const rows: CueRow[] = cueRows(film, filmCues(film, plan, WIDE), filmLimits(film, plan, WIDE))
  self.postMessage(rows)
}
