import { assDocument } from '../film/lettering/ass-document.ts'
import { frameOf } from '../film/lettering/frame.ts'
import { cueShades } from '../film/subtitles/cue-shade.ts'
import { ttml } from '../film/subtitles/ttml.ts'
import { srt, vtt } from '../film/subtitles/write.ts'
import type { FilmShape, LetteredFilm } from '../render/plan.ts'
import type { Timeline } from '../timeline/timeline.ts'
import { transcript } from './transcript.ts'

/** What is written and said in a film, as far as its subtitles tell of it. */
export interface SubtitledFilm extends Omit<LetteredFilm, 'inlays'> {
  timeline: Timeline
  shape: Pick<FilmShape, 'width' | 'height'>
  /** Of the narration, BCP 47. */
  language: string
}

/** Subtitles of a film by format; `txt` is what is said, to be read. */
export const SUBTITLES = {
  srt: ({ cues }: SubtitledFilm) => srt(cues),
  vtt: ({ cues, lettering }: SubtitledFilm) => vtt(cues, lettering.subtitle),
  ass: ({ shape, lettering, cues, supers }: SubtitledFilm) =>
    assDocument({
      ...shape,
      lettering,
      cues,
      // A film has its grounds laid under its letters; who has the letters alone has none of that.
      marks: [
        ...cueShades(cues, lettering.subtitle, frameOf(shape.width, shape.height)),
        ...supers.flatMap(({ marks }) => marks),
      ],
    }),
  ttml: ({ cues, language, lettering }: SubtitledFilm) => ttml(cues, language, lettering.subtitle),
  txt: ({ timeline }: SubtitledFilm) => transcript(timeline),
}
export type SubtitleFormat = keyof typeof SUBTITLES
