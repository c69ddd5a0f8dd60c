import { isDeepStrictEqual } from 'node:util'
import type { PictureRun } from '@tidy-reel/core/film/shots'
import type { Move, View } from '@tidy-reel/core/pictures/view'

/**
 * Moves the view over frames that fill the film, in fractions of a pixel: `cropAt` as expressions
 * of the frame's number.
 */
export function viewFilter(
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
