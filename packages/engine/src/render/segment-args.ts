import type { PictureFile } from './footage.ts'
import type { FilmShape, Segment, SegmentShot } from '@tidy-reel/core/render/plan'

/** Ground of a plain card: warm paper. */
const CARD = '0xF4F0E6'

/** Common to everything that is encoded: H.264, BT.709 in limited range, tagged. */
export const ENCODER = [
  '-c:v', 'libx264', '-preset', 'veryfast', '-crf', '20', '-profile:v', 'high', '-pix_fmt', 'yuv420p',
  '-color_primaries', 'bt709', '-color_trc', 'bt709', '-colorspace', 'bt709', '-color_range', 'tv',
]

/**
 * Arguments of the ffmpeg run that makes one segment.
 *
 * Stills come in as raw frames through pipes 3, 4, … in the order of their shots; clips are read from their files;
 * cards are drawn. `ass` names files in the folder the program runs in.
 */
export function segmentArgs(segment: Segment, shape: FilmShape, files: readonly (PictureFile | undefined)[], names: { ass: string; fonts: string; out: string }): string[] {
  const { width, height, fps } = shape
  const rate = fps.join('/')
  let pipe = 3
  const inputs = segment.shots.flatMap((shot, i) => {
    if (shot.source.kind === 'photo') return ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', `${width}x${height}`, '-r', rate, '-i', `pipe:${pipe++}`]
    if (shot.source.kind === 'clip') return ['-protocol_whitelist', 'file,pipe', '-stream_loop', '-1', '-i', files[i]!.path]
    return ['-f', 'lavfi', '-i', `color=c=${CARD}:s=${width}x${height}:r=${rate}`]
  })
  const shots = segment.shots.map((shot, i) => `[${i}:v]${shotFilter(shot, shape, files[i])}[s${i}]`)
  const joined = `${segment.shots.map((_, i) => `[s${i}]`).join('')}concat=n=${segment.shots.length}:v=1:a=0,ass=${names.ass}:fontsdir=${names.fonts},format=yuv420p[v]`
  return [
    '-hide_banner', '-v', 'error', '-nostdin', '-y', ...inputs,
    '-filter_complex', [...shots, joined].join(';'), '-map', '[v]', '-frames:v', String(segment.frames), '-r', rate,
    ...ENCODER, '-threads', '1', '-filter_complex_threads', '1', '-video_track_timescale', String(fps[0] * (fps[1] === 1 ? 1000 : 1)), '-f', 'mp4', names.out,
  ]
}

function shotFilter({ source, frames }: SegmentShot, { width, height, fps }: FilmShape, file: PictureFile | undefined): string {
  const exact = `trim=end_frame=${frames},setpts=PTS-STARTPTS,settb=AVTB,setsar=1`
  if (source.kind === 'photo') return exact
  if (source.kind === 'card') return `format=rgb24,scale=out_color_matrix=bt709:out_range=tv,format=yuv420p,${exact}`
  // Frames that are the film's already are not touched: scaling in place costs a tenth of the encoding.
  if (file?.plain && file.width === width && file.height === height) return `fps=${fps.join('/')},${exact}`
  return `fps=${fps.join('/')},scale=${width}:${height}:force_original_aspect_ratio=increase:flags=bicubic:out_color_matrix=bt709:out_range=tv,crop=${width}:${height},format=yuv420p,${exact}`
}
