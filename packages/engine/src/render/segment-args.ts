import { isDeepStrictEqual } from 'node:util'
import { type PictureRun, pictureRuns, type SegmentShot } from '@tidy-reel/core/film/shots'
import type { Move, View } from '@tidy-reel/core/pictures/view'
import { type FilmShape, LETTERS_LEAD_SECONDS, type Segment } from '@tidy-reel/core/render/plan'
import { type FrameRate, SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { MEDIA_INPUT } from '../run/media-input.ts'
import type { PictureFile } from './footage.ts'

/** Of a clip's file, so much is left to be seen however much is left out, in seconds. */
const LEAST_SECONDS = 0.1

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
  '-color_primaries',
  'bt709',
  '-color_trc',
  'bt709',
  '-colorspace',
  'bt709',
  '-color_range',
  'tv',
]

/** Ticks a second of a film's picture track: a whole number of them a frame. */
export const timescaleOf = ([num, den]: FrameRate): number => num * (den === 1 ? 1000 : 1)

/**
 * Arguments of the ffmpeg run that makes one segment.
 *
 * Stills come in as raw frames through pipes 3, 4, … in the order of `pictureRuns`; clips are read
 * from their files; cards are drawn. `ass` names files in the folder the program runs in.
 *
 * @param files of each stretch its picture's file; undefined for a card
 */
export function segmentArgs(
  segment: Segment,
  shape: FilmShape,
  files: readonly (PictureFile | undefined)[],
  names: { ass: string; fonts: string; out: string },
): string[] {
  const { width, height, fps } = shape
  const rate = fps.join('/')
  const stretches = pictureRuns(segment.shots)
  let pipe = 3
  const inputs = stretches.flatMap(({ source }, i) => {
    if (source.kind === 'photo')
      return [
        '-f',
        'rawvideo',
        '-pix_fmt',
        'yuv420p',
        '-s',
        `${width}x${height}`,
        '-r',
        rate,
        '-i',
        `pipe:${pipe++}`,
      ]
    if (source.kind === 'clip') return [...MEDIA_INPUT, '-i', files[i]!.path]
    return [
      '-f',
      'lavfi',
      '-i',
      `color=c=0x${segment.paper.slice(1)}:s=${width}x${height}:r=${rate}`,
    ]
  })
  const pictures = stretches.map(
    (stretch, i) => `[${i}:v]${pictureFilter(stretch, shape, files[i])}[p${i}]`,
  )
  let read = 0
  const shots = segment.shots.map(({ lead }, i) =>
    lead ? transitionFilter(lead, read++, read++, i, fps) : `[p${read++}]null[s${i}]`,
  )
  const joined =
    `${segment.shots.map((_, i) => `[s${i}]`).join('')}concat=n=${segment.shots.length}:v=1:a=0,` +
    `setpts=PTS+${LETTERS_LEAD_SECONDS}/TB,ass=${names.ass}:fontsdir=${names.fonts},` +
    `setpts=PTS-${LETTERS_LEAD_SECONDS}/TB,format=yuv420p[v]`
  return [
    '-hide_banner',
    '-v',
    'error',
    '-nostdin',
    '-y',
    ...inputs,
    '-filter_complex',
    [...pictures, ...shots, joined].join(';'),
    '-map',
    '[v]',
    '-frames:v',
    String(segment.frames),
    '-r',
    rate,
    ...ENCODER,
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
 * The picture before gives way to the shot's own: mixed evenly, or faded to black in one half and
 * from black in the other.
 */
function transitionFilter(
  { kind, frames, from }: NonNullable<SegmentShot['lead']>,
  before: number,
  own: number,
  shot: number,
  fps: FilmShape['fps'],
): string {
  if (kind === 'dissolve')
    return (
      `[p${before}][p${own}]xfade=transition=fade:duration=` +
      `${((frames * fps[1]) / fps[0]).toFixed(6)}:offset=0[s${shot}]`
    )
  const half = from.frames
  const rest = frames - half
  return [
    `[p${before}]fade=out:0:${half}[out${shot}]`,
    `[p${own}]trim=start_frame=${half},setpts=PTS-STARTPTS${rest ? `,fade=in:0:${rest}` : ''}[in${shot}]`,
    `[out${shot}][in${shot}]concat=n=2:v=1:a=0[s${shot}]`,
  ].join(';')
}

function pictureFilter(
  { source, first, frames, span, ease }: PictureRun,
  { width, height, fps }: FilmShape,
  file: PictureFile | undefined,
): string {
  const rate = fps.join('/')
  const exact = `setpts=N/(${rate})/TB,settb=${fps[1]}/${fps[0]},setsar=1`
  if (source.kind === 'photo') return `trim=end_frame=${frames},${exact}`
  if (source.kind === 'card')
    return `format=rgb24,scale=out_color_matrix=bt709:out_range=tv,format=yuv420p,trim=end_frame=${frames},${exact}`
  const slip = Math.min(source.slip / SAMPLE_RATE, (file?.seconds ?? Infinity) - LEAST_SECONDS)
  const slipped = slip > 0 ? `trim=start=${slip.toFixed(6)},` : ''
  const timed =
    slipped || source.speed !== 1 ? `${slipped}setpts=(PTS-STARTPTS)/${source.speed},` : ''
  // Beyond its end the last frame stands: a clip that begins again shows for a moment what it was.
  const held = 'tpad=stop=-1:stop_mode=clone'
  const cut = `${timed}fps=${rate},${held},trim=start_frame=${first}:end_frame=${first + frames},${exact}`
  // Frames that are the film's already are not touched: scaling in place costs a tenth of the
  // encoding.
  // Scaled to fill, those of another shape are not quite square, and would not fit behind others.
  const fits = file?.plain && file.width === width && file.height === height
  const filled = fits
    ? cut
    : `${cut},scale=${width}:${height}:force_original_aspect_ratio=increase:flags=bicubic:out_co` +
      `lor_matrix=bt709:out_range=tv,crop=${width}:${height},format=yuv420p,setsar=1`
  return source.move
    ? `${filled},${viewFilter(source.move, { first, span, ease }, width, height)}`
    : filled
}

/**
 * Moves the view over frames that fill the film, in fractions of a pixel: `cropAt` as expressions
 * of the frame's number.
 */
function viewFilter(
  { from, to }: Move,
  { first, span, ease }: Pick<PictureRun, 'first' | 'span' | 'ease'>,
  width: number,
  height: number,
): string {
  if (isDeepStrictEqual(from, to)) return stillView(from, width, height)
  const time = span > 1 ? `((in+${first})/${span - 1})` : '0'
  const ramp = 2 * ease * (1 - ease)
  const progress =
    `if(lt(${time},${ease}),${time}^2/${ramp},` +
    `if(gt(${time},${1 - ease}),1-(1-${time})^2/${ramp},(${time}-${ease / 2})/${1 - ease}))`
  const mix = (a: number, b: number) => (a === b ? String(a) : `(${a}+${b - a}*${progress})`)
  const scale = mix(from.scale, to.scale)
  const left = `clip(${mix(from.x, to.x)}-${scale}/2,0,1-${scale})`
  const top = `clip(${mix(from.y, to.y)}-${scale}/2,0,1-${scale})`
  const [x0, x1, y0, y1] = [`W*${left}`, `W*(${left}+${scale})`, `H*${top}`, `H*(${top}+${scale})`]
  return (
    `perspective=x0='${x0}':y0='${y0}':x1='${x1}':y1='${y0}':x2='${x0}':y2='${y1}':x3='${x1}':y3` +
    `='${y1}':sense=source:interpolation=cubic:eval=frame`
  )
}

/** A view that stands: cut out and enlarged, which costs a seventh of moving it. */
function stillView({ x, y, scale }: View, width: number, height: number): string {
  const corner = (centre: number) => Math.min(1 - scale, Math.max(0, centre - scale / 2))
  const cut = [width * scale, height * scale, width * corner(x), height * corner(y)]
  return `crop=${cut.map(Math.round).join(':')},scale=${width}:${height}:flags=bicubic,setsar=1`
}
