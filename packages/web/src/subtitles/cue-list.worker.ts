import type { Film } from '@tidy-reel/core/document/film-scenes'
import { readableCues } from '@tidy-reel/core/film/film-letters'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import { filmShots } from '@tidy-reel/core/film/shots'
import { type CueRow, cueRows } from '@tidy-reel/core/film/subtitles/cue-rows'
import { filmCues, filmLimits } from '@tidy-reel/core/film/subtitles/film-cues'
import type { Light } from '@tidy-reel/core/pictures/light'
import { meetFaces } from '@tidy-reel/core/style/own-face'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'

/** A film whose subtitles are to be listed. */
export interface CuesAsked {
  film: Timeline
  plan: Pick<Film, 'lettering' | 'subtitling' | 'scenes'>
  /** Of pictures, by their ids. */
  lights: ReadonlyMap<string, Light>
}

/** Subtitles are read through as they stand on a wide film. */
const WIDE = { width: 1920, height: 1080 }

function listed({ film, plan, lights }: CuesAsked): CueRow[] {
  const framing = { aspect: WIDE.width / WIDE.height, lights }
  meetFaces(plan.lettering.faces)
  const cues = readableCues(filmCues(film, plan, WIDE, ''), {
    timeline: film,
    film: plan,
    pictures: { shots: filmShots(film, () => true, framing), lights },
    frame: frameOf(WIDE.width, WIDE.height),
  })
  return cueRows(film, cues, filmLimits(film, plan, WIDE), plan.lettering.subtitle)
}

self.onmessage = ({ data }: MessageEvent<CuesAsked>) => self.postMessage(listed(data))
