import { existsSync } from 'node:fs'
import { join } from 'node:path'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import type { TidyError } from '@tidy-reel/core/faults/fault'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { FilmReport } from '@tidy-reel/core/render/report'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { Mixdown } from '../sound/mixdown.ts'
import type { Spoken } from '../speech/take-all.ts'

/**
 * What a person should know of a film, in sentences: what was left unread, who is silent, which
 * pictures are missing.
 *
 * @param fonts folder of fonts
 */
export function remarksOf(
  spoken: readonly (Spoken | undefined)[],
  faults: readonly { fault: TidyError }[],
  { remarks, lettering }: Film,
  fonts: string,
): string[] {
  const unlettered = (lettering.faces ?? [])
    .filter(({ id }) => !existsSync(join(fonts, id)))
    .map(({ name }) => `The font “${name}” is not on this machine; another stands in for it.`)
  return [
    ...remarks,
    ...silentScenes(spoken),
    ...unlettered,
    ...new Set(faults.map(({ fault }) => fault.message)),
  ]
}

/** Which scenes nobody speaks, or another voice than theirs, and why, in words. */
export const silentScenes = (spoken: readonly (Spoken | undefined)[]): string[] =>
  spoken.flatMap((s, i) => {
    if (s && 'fault' in s) return [`Scene ${i + 1} is silent: ${s.fault.message}`]
    return s?.instead
      ? [`Scene ${i + 1} is spoken by the voice that stands in: ${s.instead.message}`]
      : []
  })

/** What is told of a finished film: lengths and loudness rounded to hundredths. */
export function reportOf(
  film: Timeline,
  shape: FilmShape,
  mixed: Mixdown,
  steps: FilmReport['steps'],
  rest: Pick<
    FilmReport,
    'segments' | 'segmentsReused' | 'languages' | 'remarks' | 'wantedLufs' | 'longestPicture'
  >,
): FilmReport {
  const two = (n: number) => Math.round(n * 100) / 100
  return {
    steps,
    seconds: two((film.frames * shape.fps[1]) / shape.fps[0]),
    frames: film.frames,
    fps: shape.fps.join('/'),
    size: `${shape.width}x${shape.height}`,
    scenes: film.scenes.length,
    lufs: mixed.lufs,
    truePeak: mixed.truePeak,
    speechLufs: mixed.speechLufs,
    bedBelowSpeech: mixed.bedBelowSpeech === null ? null : two(mixed.bedBelowSpeech),
    ...rest,
  }
}
