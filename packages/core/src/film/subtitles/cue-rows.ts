import type { SubtitleStyle } from '../../style/lettering.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import type { Timeline } from '../../timeline/timeline.ts'
import { type CueFault, cueFaults, type CuePace, cuePace } from './cue-faults.ts'
import { type Cue, saidIn, type ShownWord } from './cues.ts'
import type { SubtitleLimits } from './limits.ts'

/** A subtitle as a list of them shows it. */
export interface CueRow extends CuePace {
  cue: Cue
  /** As it is shown, its lines parted by line breaks. */
  text: string
  /** What is said there, where that is something else. */
  said?: string
  sceneId: string
  /** Seconds of nothing before it. */
  gap: number
  faults: CueFault[]
}

/** True where other words are shown than are said; what is only heard is no word. */
const isOtherwise = (words: readonly ShownWord[]) => words.some(({ kept }) => kept)

/** The subtitles of a film with how they are to be read. */
export function cueRows(
  { scenes }: Pick<Timeline, 'scenes'>,
  cues: readonly Cue[],
  limits: SubtitleLimits,
  style: Pick<SubtitleStyle, 'ground'>,
): CueRow[] {
  let scene = 0
  return cues.map((cue, i) => {
    while (scene + 1 < scenes.length && (scenes[scene + 1]?.startSample ?? Infinity) <= cue.start)
      scene++
    const said = saidIn(cue.words ?? []).join(' ')
    return {
      cue,
      text: cue.lines.join('\n'),
      ...(isOtherwise(cue.words ?? []) ? { said } : {}),
      sceneId: scenes[scene]?.id ?? '',
      gap: Math.max(0, (cue.start - (cues[i - 1]?.end ?? 0)) / SAMPLE_RATE),
      ...cuePace(cue),
      faults: cueFaults(cue, limits, style),
    }
  })
}
