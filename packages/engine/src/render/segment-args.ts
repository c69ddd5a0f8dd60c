import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import { pictureRuns } from '@tidy-reel/core/film/shots'
import { type FilmShape, LETTERS_LEAD_SECONDS, type Segment } from '@tidy-reel/core/render/plan'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { BT709_TAGS } from './bt709-args.ts'
import type { PictureFile } from './footage.ts'
import { inlayFilters } from './inlay-filter.ts'
import { type DrawnRun, drawnRun, isFed, runFilter, type SizedInput } from './run-filter.ts'
import { shadeFilters } from './shade-filter.ts'
import { transitionFilter } from './transition-filter.ts'

/** Common to everything that is encoded: H.264, BT.709 in limited range, tagged. */
export const ENCODER = [
  '-c:v',
  'libx264',
  '-preset',
  'veryfast',
  '-crf',
  '20',
  '-profile:v',
  'high',
  '-pix_fmt',
  'yuv420p',
  ...BT709_TAGS,
]

/** Common practice for films that are sent in pieces. */
const KEYFRAME_SECONDS = 2

/** Ticks a second of a film's picture track: a whole number of them a frame. */
export const timescaleOf = ([num, den]: FrameRate): number => num * (den === 1 ? 1000 : 1)

/**
 * Arguments of the ffmpeg run that makes one segment.
 *
 * Stills and graded clips come in as raw frames through pipes 3, 4, … in the order of
 * `pictureInputs`; other clips are read from their files; cards are drawn. `ass` names files in the folder the program runs in.
 *
 * @param files of each of `pictureInputs` its file; undefined for a card
 * @param names  `inlays`, `shades`: of each of the segment's, the still that was made of it
 */
export function segmentArgs(
  segment: Segment,
  shape: FilmShape,
  files: readonly (PictureFile | undefined)[],
  names: {
    ass: string
    fonts: string
    out: string
    inlays: readonly string[]
    shades: readonly string[]
  },
): string[] {
  const { fps } = shape
  const rate = fps.join('/')
  const { palette } = segment
  const frame = frameOf(shape.width, shape.height)
  const runs = drawnRunsOf(segment, shape)
  const sized = runs.flatMap((run) => run.inputs)
  let pipe = 3
  const inputs = sized.flatMap((one, i) => {
    if (isFed(one.input)) return rawInput(one, rate, pipe++)
    if (one.input.source.kind === 'clip') return [...MEDIA_INPUT, '-i', files[i]!.path]
    return paperInput(one, palette.paper, rate)
  })
  let first = 0
  const pictures = runs.flatMap((run, r) => {
    const steps = runFilter(run, first, `p${r}`, files, { fps, frame, palette })
    first += run.inputs.length
    return steps
  })
  let read = 0
  const shots = segment.shots.map(({ lead, frames }, i) => {
    if (!lead) return `[p${read++}]null[s${i}]`
    const labels = { before: `p${read++}`, own: `p${read++}`, out: `s${i}` }
    return transitionFilter({ lead, frames, ...labels }, { fps, frame, palette })
  })
  const seen =
    `${segment.shots.map((_, i) => `[s${i}]`).join('')}` +
    `concat=n=${segment.shots.length}:v=1:a=0[seen]`
  const laid = inlayFilters(segment.inlays, {
    first: sized.length,
    under: 'seen',
    fps,
    frame,
  })
  const shaded = shadeFilters(segment.shades, {
    first: sized.length + segment.inlays.length,
    under: laid.out,
    fps,
  })
  const written =
    `[${shaded.out}]setpts=PTS+${LETTERS_LEAD_SECONDS}/TB,ass=${names.ass}:fontsdir=${names.fonts},` +
    `setpts=PTS-${LETTERS_LEAD_SECONDS}/TB,format=yuv420p[v]`
  return [
    '-hide_banner',
    '-v',
    'error',
    '-nostdin',
    '-y',
    ...inputs,
    ...[...names.inlays, ...names.shades].flatMap((file) => ['-i', file]),
    '-filter_complex',
    [...pictures, ...shots, seen, ...laid.steps, ...shaded.steps, written].join(';'),
    '-map',
    '[v]',
    '-frames:v',
    String(segment.frames),
    '-r',
    rate,
    ...ENCODER,
    ...keyframes(segment, fps),
    '-threads',
    '1',
    '-filter_complex_threads',
    '1',
    '-video_track_timescale',
    String(timescaleOf(fps)),
    '-f',
    'mp4',
    names.out,
  ]
}

/**
 * Frames one can jump to: at each cut, and never farther apart than players and sites that take
 * films in pieces want them.
 */
function keyframes({ shots }: Segment, [num, den]: FrameRate): string[] {
  let frame = 0
  // ffmpeg rounds each time to the nearest frame.
  const cuts = shots.slice(0, -1).map(({ frames }) => {
    frame += frames
    return ((frame * den) / num).toFixed(6)
  })
  return [
    '-g',
    String(Math.round((KEYFRAME_SECONDS * num) / den)),
    ...(cuts.length ? ['-force_key_frames', cuts.join(',')] : []),
  ]
}

/** What a segment's stretches are drawn of, in the order they are read. */
export const drawnRunsOf = (
  { shots, palette }: Segment,
  { width, height }: FilmShape,
): DrawnRun[] => pictureRuns(shots).map((run) => drawnRun(run, frameOf(width, height), palette))

const rawInput = ({ width, height }: SizedInput, rate: string, pipe: number) => [
  '-f',
  'rawvideo',
  '-pix_fmt',
  'yuv420p',
  '-s',
  `${width}x${height}`,
  '-r',
  rate,
  '-i',
  `pipe:${pipe}`,
]

const paperInput = ({ width, height }: SizedInput, paper: string, rate: string) => [
  '-f',
  'lavfi',
  '-i',
  `color=c=0x${paper.slice(1)}:s=${width}x${height}:r=${rate}`,
]
