import { isDeepStrictEqual } from 'node:util'
import type { PictureRun } from '@tidy-reel/core/film/shots'
import type { Move, View } from '@tidy-reel/core/pictures/view'
import { BT709 } from './bt709-args.ts'
import type { Size } from './frame-program.ts'

/**
 * What is seen of a picture in the film's shape, as `cropAt` tells it: cut out where it stands, and
 * where it moves in fractions of a pixel.
 *
 * @param film `fits`: the picture has its size and colours already
 */
export function viewFilter(
  move: Move,
  span: Pick<PictureRun, 'first' | 'span' | 'ease'>,
  { width, height, fits }: Size & { fits: boolean },
): string {
  const { from, to } = move
  const scaled = `scale=${width}:${height}:flags=bicubic:${BT709},format=yuv420p,setsar=1`
  if (isDeepStrictEqual(from, to)) return `${stillView(from, width / height)},${scaled}`
  const filled =
    `scale=${width}:${height}:force_original_aspect_ratio=increase:` +
    `force_divisible_by=2:flags=bicubic:${BT709},format=yuv420p`
  if (fits) return movingView(move, span, width / height)
  // Its colours are the film's by now: brought there twice, they would lose twice by rounding.
  const fitted = `scale=${width}:${height}:flags=bicubic,setsar=1`
  return `${filled},${movingView(move, span, width / height)},${fitted}`
}

/** Enlarged after it is cut out, which costs a seventh of moving it. */
function stillView({ x, y, scale }: View, aspect: number): string {
  const place = (centre: number, whole: string, part: string) =>
    `'clip(${centre}*${whole}-${part}/2,0,${whole}-${part})'`
  return (
    `crop=w='min(iw,ih*${aspect})*${scale}':h='min(ih,iw/${aspect})*${scale}':` +
    `x=${place(x, 'iw', 'ow')}:y=${place(y, 'ih', 'oh')}`
  )
}

/** `cropAt` as expressions of the frame's number; its part of the picture fills the whole of it. */
function movingView(
  { from, to }: Move,
  { first, span, ease }: Pick<PictureRun, 'first' | 'span' | 'ease'>,
  aspect: number,
): string {
  // What `perspective` calls `in` is 1 at its first frame.
  const time = span > 1 ? `((in+${first - 1})/${span - 1})` : '0'
  const ramp = 2 * ease * (1 - ease)
  const progress =
    `if(lt(${time},${ease}),${time}^2/${ramp},` +
    `if(gt(${time},${1 - ease}),1-(1-${time})^2/${ramp},(${time}-${ease / 2})/${1 - ease}))`
  const mix = (a: number, b: number) => (a === b ? String(a) : `(${a}+${b - a}*${progress})`)
  const scale = mix(from.scale, to.scale)
  const across = `(${scale}*min(1,${aspect}*H/W))`
  const along = `(${scale}*min(1,W/H/${aspect}))`
  const left = `clip(${mix(from.x, to.x)}-${across}/2,0,1-${across})`
  const top = `clip(${mix(from.y, to.y)}-${along}/2,0,1-${along})`
  const [x0, x1, y0, y1] = [`W*${left}`, `W*(${left}+${across})`, `H*${top}`, `H*(${top}+${along})`]
  return (
    `perspective=x0='${x0}':y0='${y0}':x1='${x1}':y1='${y0}':x2='${x0}':y2='${y1}':x3='${x1}':y3` +
    `='${y1}':sense=source:interpolation=cubic:eval=frame`
  )
}
