import type { Frame } from '@tidy-reel/core/film/lettering/frame'
import { inlayFrames, slideFrom } from '@tidy-reel/core/film/placed-inlay'
import type { SegmentInlay } from '@tidy-reel/core/render/plan'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { BT709 } from './bt709-args.ts'

interface Laying {
  /** Number of the first input that is a still laid over. */
  first: number
  /** Label of what they are laid over. */
  under: string
  fps: FrameRate
  frame: Frame
}

/** Filters that lay stills over a segment, one after the other; `out` is the label of the last. */
export function inlayFilters(
  inlays: readonly SegmentInlay[],
  { first, under, fps, frame }: Laying,
): { steps: string[]; out: string } {
  const steps = inlays.flatMap((inlay, i) => {
    const { still, at } = movement(inlay, fps, frame)
    const { comes, from, to } = inlay
    // The colour planes have half as many pixels: places are cut to even ones, so one more is the
    // nearest.
    const place = `x='${at}-overlay_w/2+1':y='${middle(inlay).y}-overlay_h/2+1'`
    // What grows is nothing in its first frame, and no picture can be.
    const seen = comes === 'grow' ? from + 1 : from
    const times = `enable='between(n,${seen},${to - 1})'`
    return [
      `[${first + i}:v]format=rgba,scale=${BT709},format=yuva420p${still}[i${i}]`,
      `[${i === 0 ? under : `laid${i - 1}`}][i${i}]overlay=${place}:${times}:format=yuv420[laid${i}]`,
    ]
  })
  return { steps, out: inlays.length ? `laid${inlays.length - 1}` : under }
}

const middle = ({ around: { x, y, width, height } }: SegmentInlay) => ({
  x: x + width / 2,
  y: y + height / 2,
})

/** What is done to a still before it is laid over, and where its middle is then. */
function movement(
  inlay: SegmentInlay,
  fps: FrameRate,
  frame: Frame,
): { still: string; at: string } {
  const { comes, from, to } = inlay
  const { x } = middle(inlay)
  const length = inlayFrames(to - from, fps)
  const progress = `(1-(1-clip(min(n-${from},${to}-n)/${length},0,1))^2)`
  // One frame for ever: what moves or fades is drawn anew in each.
  const frames = `,loop=-1:1,setpts=N/(${fps.join('/')})/TB,settb=${fps[1]}/${fps[0]}`
  switch (comes) {
    case 'none':
      return { still: '', at: String(x) }
    case 'slide': {
      const outside = slideFrom(inlay, frame)
      return { still: '', at: `(${outside}+${x - outside}*${progress})` }
    }
    case 'grow': {
      const size = (side: string) => `max(2,2*round(${side}*${progress}/2))`
      return {
        still: `${frames},scale=w='${size('iw')}':h='${size('ih')}':eval=frame`,
        at: String(x),
      }
    }
    case 'fade':
      return {
        still:
          `${frames},fade=in:${from}:${length}:alpha=1,` +
          `fade=out:${to - length}:${length}:alpha=1`,
        at: String(x),
      }
  }
}
