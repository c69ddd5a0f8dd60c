import type { Film } from '../../document/film-scenes.ts'
import type { Lettering, SubtitleStyle } from '../../style/lettering.ts'
import type { Timeline } from '../../timeline/timeline.ts'
import { foot, type Frame, type Rect } from '../lettering/frame.ts'
import { cueStyle, subtitleZone } from './cue-place.ts'

/** A stretch of time, in samples. */
interface Stretch {
  start: number
  end: number
}

/** The styles that subtitles have while; each place they stand at once. */
export type SubtitlesWhile = (stretch: Stretch) => readonly SubtitleStyle[]

/** Where the subtitles of a film stand, scene by scene. */
export function subtitlesWhile(
  { scenes }: Timeline,
  { lettering, scenes: written }: Pick<Film, 'lettering' | 'scenes'>,
): SubtitlesWhile {
  const own = written.map(({ dress }) => dress?.subtitle)
  if (!own.some(Boolean)) return () => [lettering.subtitle]
  return ({ start, end }) => {
    const places = scenes.flatMap((scene, n) =>
      scene.startSample < end && start < scene.endSample ? [own[n]] : [],
    )
    const others = places.flatMap((place) =>
      place ? [cueStyle({ at: place }, lettering.subtitle)] : [],
    )
    return others.length < places.length || !others.length
      ? [lettering.subtitle, ...others]
      : others
  }
}

/**
 * Where something may stand while subtitles have their places: the bands of the safe area that none
 * of them crosses, from above.
 *
 * @returns one at the least; with a single place the band above it and the one below
 */
export function roomsWhile(
  stretch: Stretch,
  on: { lettering: Pick<Lettering, 'subtitle'>; frame: Frame; subtitles?: SubtitlesWhile },
): Rect[] {
  const styles = on.subtitles?.(stretch) ?? [on.lettering.subtitle]
  return bandsBeside(
    styles.map((style) => subtitleZone(style, on.frame)),
    on.frame,
  )
}

function bandsBeside(zones: readonly Rect[], { safe, unit }: Frame): Rect[] {
  const gap = 14 * unit
  const bands: Rect[] = []
  let y = safe.y
  for (const zone of [...zones].sort((a, b) => a.y - b.y)) {
    bands.push({ ...safe, y, height: zone.y - gap - y })
    y = Math.max(y, foot(zone) + gap)
  }
  bands.push({ ...safe, y, height: foot(safe) - y })
  const open = bands.filter(({ height }) => height > 0)
  return open.length ? open : bands
}
