import { shadePicture } from '@tidy-reel/core/film/soft-shade'
import type { SegmentShade } from '@tidy-reel/core/render/plan'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { BT709 } from './bt709-args.ts'

/** Filters that lay soft grounds over a segment; `out` is the label of the last. */
export function shadeFilters(
  shades: readonly SegmentShade[],
  { first, under, fps }: { first: number; under: string; fps: FrameRate },
): { steps: string[]; out: string } {
  const steps = shades.flatMap((shade, i) => {
    const { x, y } = shadePicture(shade)
    const times = `enable='between(n,${Math.max(0, shade.from)},${shade.to - 1})'`
    const below = i === 0 ? under : `shaded${i - 1}`
    return [
      `[${first + i}:v]format=rgba,scale=${BT709},format=yuva420p${coming(shade, fps)}[g${i}]`,
      `[${below}][g${i}]overlay=x=${x}:y=${y}:${times}:format=yuv420[shaded${i}]`,
    ]
  })
  return { steps, out: shades.length ? `shaded${shades.length - 1}` : under }
}

/** One frame for ever, faded where it comes and goes; counted from its own beginning if that was earlier. */
function coming({ from, to, coming, going }: SegmentShade, fps: FrameRate): string {
  if (!coming && !going) return ''
  const before = Math.max(0, -from)
  const rate = `settb=${fps[1]}/${fps[0]}`
  return [
    `,loop=-1:1,setpts=N/(${fps.join('/')})/TB,${rate}`,
    coming ? `,fade=in:${from + before}:${coming}:alpha=1` : '',
    going ? `,fade=out:${to + before - going}:${going}:alpha=1` : '',
    before ? `,trim=start_frame=${before},setpts=PTS-STARTPTS` : '',
  ].join('')
}
