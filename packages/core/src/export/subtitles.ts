import { assDocument } from '../film/lettering/ass-document.ts'
import { frameOf } from '../film/lettering/frame.ts'
import { cueShade } from '../film/subtitles/cue-shade.ts'
import type { Cue } from '../film/subtitles/cues.ts'
import { ttml } from '../film/subtitles/ttml.ts'
import { srt, vtt } from '../film/subtitles/write.ts'
import type { FilmShape, LetteredFilm } from '../render/plan.ts'
import type { Lettering } from '../style/lettering.ts'
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
      marks: [...cueShades(cues, lettering, shape), ...supers.flatMap(({ marks }) => marks)],
    }),
  ttml: ({ cues, language, lettering }: SubtitledFilm) => ttml(cues, language, lettering.subtitle),
  txt: ({ timeline }: SubtitledFilm) => transcript(timeline),
}
/** Soft grounds that a film has laid under its letters, for who has the letters alone. */
const cueShades = (
  cues: readonly Cue[],
  { subtitle }: Lettering,
  { width, height }: SubtitledFilm['shape'],
) => cues.flatMap((cue) => cueShade(cue, subtitle, frameOf(width, height)) ?? [])

export type SubtitleFormat = keyof typeof SUBTITLES
