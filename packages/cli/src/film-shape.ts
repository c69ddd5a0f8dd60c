import { TidyError } from '@tidy-reel/core/faults/fault'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import { type FrameRate, parseFrameRate } from '@tidy-reel/core/time/time'

/** @throws TidyError `option_invalid` */
function frameRate(fps: string): FrameRate {
  const rate = parseFrameRate(fps)
  if (rate) return rate
  throw new TidyError('option_invalid', {
    option: '--fps',
    value: fps,
    wanted: 'one of 24, 25, 30, 50, 60, 24000/1001, 30000/1001, 60000/1001',
  })
}

/** The shape a film is asked for in. @throws TidyError `option_invalid` */
export function filmShape({
  size,
  fps,
  burnIn,
}: {
  size: string
  fps: string
  burnIn: boolean
}): FilmShape {
  const [, w, h] = /^(\d{2,4})x(\d{2,4})$/.exec(size) ?? []
  const [width, height] = [Number(w), Number(h)]
  const usable = (n: number) => n >= 90 && n <= 3840 && n % 2 === 0
  if (!usable(width) || !usable(height))
    throw new TidyError('option_invalid', {
      option: '--size',
      value: size,
      wanted: 'two even numbers from 90 to 3840, such as 1280x720',
    })
  return { width, height, fps: frameRate(fps), burnIn }
}
