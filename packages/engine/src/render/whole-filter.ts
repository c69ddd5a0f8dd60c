import { GROUND_DIM, groundSize, wholeRoom } from '@tidy-reel/core/pictures/ground'
import { BT709 } from './bt709-args.ts'
import type { Size } from './frame-program.ts'

/**
 * A picture whole in a frame, on a ground made of itself: so small that nothing of it can be told,
 * large again and darker.
 *
 * @param label unlike others of the same graph
 */
export function wholeFilter(size: Size, label: string): string {
  const { width, height } = size
  const small = groundSize(size)
  const room = wholeRoom(size)
  const [a, b, under, over] = ['a', 'b', 'u', 'o'].map((end) => `${label}${end}`)
  const dim = (value: string, base: number) => `${value}='(val-${base})*${GROUND_DIM}+${base}'`
  const fitted = (how: string) => `force_original_aspect_ratio=${how}`
  return [
    `split[${a}][${b}]`,
    `[${a}]scale=${small.width}:${small.height}:${fitted('increase')}:flags=area,` +
      `crop=${small.width}:${small.height},scale=${width}:${height}:flags=bicubic:${BT709},` +
      `format=yuv420p,lutyuv=${dim('y', 16)}:${dim('u', 128)}:${dim('v', 128)},setsar=1[${under}]`,
    `[${b}]scale=${room.width}:${room.height}:${fitted('decrease')}:force_divisible_by=2:` +
      `flags=bicubic:${BT709},format=yuv420p,setsar=1[${over}]`,
    `[${under}][${over}]overlay=x='2*trunc((W-w)/4)':y='2*trunc((H-h)/4)':format=yuv420,` +
      'format=yuv420p,setsar=1',
  ].join(';')
}
