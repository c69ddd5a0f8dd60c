import type { Frame } from '@tidy-reel/core/film/lettering/frame'
import type { SegmentShot } from '@tidy-reel/core/film/shots'
import type { Palette } from '@tidy-reel/core/style/lettering'
import { BLACK, colourThrough, type Way, WIPE_EDGE } from '@tidy-reel/core/style/transition'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { BT709 } from './bt709-args.ts'
import { exactly } from './run-filter.ts'

export interface Passing {
  lead: NonNullable<SegmentShot['lead']>
  /** Frames the shot has altogether. */
  frames: number
  /** Labels: the picture before, the shot's own, and what comes of them. */
  before: string
  own: string
  out: string
}

interface Look {
  fps: FrameRate
  frame: Frame
  palette: Palette
}

/** The picture before gives way to the shot's own. */
export function transitionFilter(passing: Passing, look: Look): string {
  const { lead, before, own, out } = passing
  switch (lead.kind) {
    case 'dissolve':
      return `[${before}][${own}]${mixed(lead.frames, look.fps)}[${out}]`
    case 'dip':
      return dip(passing, look)
    case 'push':
    case 'slide':
    case 'wipe':
      return moving(passing, look)
  }
}

/** Mixed evenly over so many frames. */
const mixed = (frames: number, [num, den]: FrameRate) =>
  `xfade=transition=fade:duration=${((frames * den) / num).toFixed(6)}:offset=0`

/** Faded to what it goes through in one half, and from it in the other. */
function dip({ lead, before, own, out }: Passing, { fps, frame, palette }: Look): string {
  const half = lead.from.frames
  const rest = lead.frames - half
  const colour = colourThrough(lead.through, palette.paper)
  const late = `[${own}]trim=start_frame=${half},setpts=PTS-STARTPTS`
  const joined = `[${out}a][${out}b]concat=n=2:v=1:a=0[${out}]`
  if (colour === BLACK)
    return [
      `[${before}]fade=out:0:${half}[${out}a]`,
      `${late}${rest ? `,fade=in:0:${rest}` : ''}[${out}b]`,
      joined,
    ].join(';')
  const ground = (frames: number, name: string) =>
    `color=c=0x${colour.slice(1)}:s=${frame.width}x${frame.height}:r=${fps.join('/')},` +
    `format=rgb24,scale=${BT709},format=yuv420p,trim=end_frame=${frames},${exactly(fps)}[${name}]`
  return [
    ground(half, `${out}g`),
    `[${before}][${out}g]${mixed(half, fps)}[${out}a]`,
    ...(rest
      ? [
          ground(rest, `${out}h`),
          `${late}[${out}i]`,
          `[${out}h][${out}i]${mixed(rest, fps)}[${out}b]`,
        ]
      : [`${late}[${out}b]`]),
    joined,
  ].join(';')
}

/** Something moves for the transition's frames; those after it are not touched. */
function moving(passing: Passing, look: Look): string {
  const { lead, frames, own, out } = passing
  const made = MOVES[lead.kind as keyof typeof MOVES]
  if (frames === lead.frames) return made(passing, look)
  const [early, late, moved] = [`${out}e`, `${out}l`, `${out}m`]
  return [
    `[${own}]split[${early}s][${late}s]`,
    `[${early}s]trim=end_frame=${lead.frames}[${early}]`,
    `[${late}s]trim=start_frame=${lead.frames},setpts=PTS-STARTPTS[${late}]`,
    made({ ...passing, own: early, out: moved }, look),
    `[${moved}][${late}]concat=n=2:v=1:a=0[${out}]`,
  ].join(';')
}

const MOVES = { push, slide, wipe }

/** How far a transition of so many frames has come, as `passed` tells. */
const passedBy = (frames: number, frame = 'n') => `(${frame}/${frames})^2*(3-2*${frame}/${frames})`

/** Pixels, even ones: the planes of colours are half as large. */
const even = (pixels: string) => `2*round((${pixels})/2)`

const isUpright = (way: Way) => way === 'up' || way === 'down'

/** The new picture pushes the old one out. */
function push({ lead, before, own, out }: Passing, { frame }: Look): string {
  const way = lead.way ?? 'left'
  const [stack, size, axis] = isUpright(way)
    ? ['vstack', frame.height, 'y']
    : ['hstack', frame.width, 'x']
  const isForward = way === 'left' || way === 'up'
  const pair = isForward ? [before, own] : [own, before]
  const come = passedBy(lead.frames)
  const at = even(isForward ? `${size}*${come}` : `${size}*(1-${come})`)
  const other = axis === 'x' ? 'y' : 'x'
  return (
    `[${pair[0]}][${pair[1]}]${stack},` +
    `crop=w=${frame.width}:h=${frame.height}:${axis}='${at}':${other}=0[${out}]`
  )
}

/** The new picture slides over the old one. */
function slide({ lead, before, own, out }: Passing, { fps, frame }: Look): string {
  const way = lead.way ?? 'left'
  const [size, axis] = isUpright(way) ? [frame.height, 'y'] : [frame.width, 'x']
  const sign = way === 'left' || way === 'up' ? '' : '-'
  // What `overlay` calls n runs ahead of the frame it lays.
  const come = passedBy(lead.frames, `round(t*${fps[0]}/${fps[1]})`)
  const at = even(`${sign}${size}*(1-${come})`)
  return `[${before}][${own}]overlay=${axis}='${at}':format=yuv420[${out}]`
}

/** A soft border goes over the picture, and behind it is the new one. */
function wipe({ lead, before, own, out }: Passing, { fps, frame }: Look): string {
  const way = lead.way ?? 'left'
  const isTall = isUpright(way)
  const size = isTall ? frame.height : frame.width
  const edge = 2 * Math.round((size * WIPE_EDGE) / 2)
  const long = 2 * size + edge
  const [wide, high] = isTall ? [frame.width, long] : [long, frame.height]
  const thin = isTall ? `2x${long}` : `${long}x2`
  const isForward = way === 'left' || way === 'up'
  // A strip of which as much is seen as the frame is large; it is dark, then light.
  const ramp = (at: string) =>
    isForward
      ? `255*clip((${at}-${size})/${edge},0,1)`
      : `255*clip((${size + edge}-${at})/${edge},0,1)`
  const axis = isTall ? 'y' : 'x'
  const place = isTall ? 'Y' : 'X'
  const [luma, chroma] = [ramp(`${place}+0.5`), ramp(`2*${place}+1`)]
  const come = passedBy(lead.frames)
  const at = even(isForward ? `${size + edge}*${come}` : `${size + edge}*(1-${come})`)
  const other = isTall ? 'x' : 'y'
  return [
    `color=c=black:s=${thin}:r=${fps.join('/')},trim=end_frame=1,format=yuv420p,` +
      `geq=lum='${luma}':cb='${chroma}':cr='${chroma}',scale=${wide}:${high}:flags=neighbor,` +
      `loop=-1:1,trim=end_frame=${lead.frames},` +
      `crop=w=${frame.width}:h=${frame.height}:${axis}='${at}':${other}=0,${exactly(fps)}[${out}k]`,
    `[${before}][${own}][${out}k]maskedmerge[${out}]`,
  ].join(';')
}
