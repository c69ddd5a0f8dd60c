import { itemAt } from '@tidy-reel/core/faults/certain'
import type { Frame } from '@tidy-reel/core/film/lettering/frame'
import { type Panes, panesOf } from '@tidy-reel/core/film/panes'
import { inputsOf, type PictureInput, type PictureRun } from '@tidy-reel/core/film/shots'
import type { Palette } from '@tidy-reel/core/style/lettering'
import { type FrameRate, SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { BT709 } from './bt709-args.ts'
import type { PictureFile } from './footage.ts'
import { viewFilter } from './view-filter.ts'
import { wholeFilter } from './whole-filter.ts'

/** Of a clip's file, so much is left to be seen however much is left out, in seconds. */
const LEAST_SECONDS = 0.1

/** One input of the encoder: a picture as large as it is seen. */
export interface SizedInput {
  input: PictureInput
  width: number
  height: number
}

/** A stretch with the inputs it is drawn of. */
export interface DrawnRun {
  run: PictureRun
  inputs: SizedInput[]
  panes: Panes | undefined
}

/** What a stretch is drawn of, at the film's size. */
export function drawnRun(run: PictureRun, frame: Frame, palette: Palette): DrawnRun {
  const { source } = run
  const whole = { width: frame.width, height: frame.height }
  if (source.kind !== 'panes')
    return { run, inputs: inputsOf(run).map((input) => ({ input, ...whole })), panes: undefined }
  const panes = panesOf(source.layout, frame, palette)
  const inputs = inputsOf(run).map((input, i) => {
    const { width, height } = itemAt(panes.panes, i).box
    return { input, width, height }
  })
  return { run, inputs, panes }
}

/** A ground of one colour that stands for ever, as the film has colours. */
const plain = (colour: string, width: number, height: number, rate: string) =>
  `color=c=0x${colour.slice(1)}:s=${width}x${height}:r=${rate}:d=1,trim=end_frame=1,` +
  `format=rgb24,scale=${BT709},format=yuv420p,loop=-1:1`

/**
 * Filters that make a stretch of its inputs.
 *
 * @param first number of its first input
 * @param out   label of the finished stretch
 */
export function runFilter(
  { run, inputs, panes }: DrawnRun,
  first: number,
  out: string,
  files: readonly (PictureFile | undefined)[],
  { fps, frame, palette }: { fps: FrameRate; frame: Frame; palette: Palette },
): string[] {
  const rate = fps.join('/')
  const made = (i: number) => inputFilter(itemAt(inputs, i), fps, files[first + i], `${out}c${i}`)
  if (!panes) return [`[${first}:v]${made(0)}[${out}]`]
  const steps: string[] = []
  let under = ''
  const lay = (over: string, x: number, y: number) => {
    const name = `${out}l${steps.length}`
    steps.push(`[${under}][${over}]overlay=${x}:${y}:format=yuv420[${name}]`)
    under = name
  }
  if (panes.onPaper) {
    under = `${out}g`
    steps.push(
      `${plain(palette.paper, frame.width, frame.height, rate)},trim=end_frame=${run.frames},` +
        `${exactly(fps)}[${under}]`,
    )
  }
  inputs.forEach(({ width, height }, i) => {
    const { box, rims } = itemAt(panes.panes, i)
    for (const [r, { reach, colour }] of rims.entries()) {
      const rim = `${out}r${i}${r}`
      steps.push(`${plain(colour, width + 2 * reach, height + 2 * reach, rate)}[${rim}]`)
      lay(rim, box.x - reach, box.y - reach)
    }
    const own = `${out}p${i}`
    steps.push(`[${first + i}:v]${made(i)}[${own}]`)
    if (under) lay(own, box.x, box.y)
    else under = own
  })
  return [...steps, `[${under}]trim=end_frame=${run.frames},${exactly(fps)}[${out}]`]
}

/** Frames that follow each other exactly, of square pixels. */
export const exactly = (fps: FrameRate) =>
  `setpts=N/(${fps.join('/')})/TB,settb=${fps[1]}/${fps[0]},setsar=1`

function inputFilter(
  { input, width, height }: SizedInput,
  fps: FrameRate,
  file: PictureFile | undefined,
  label: string,
): string {
  const { source, frames } = input
  const exact = exactly(fps)
  if (source.kind === 'photo' || isFed(input)) return `trim=end_frame=${frames},${exact}`
  if (source.kind === 'card')
    return `format=rgb24,scale=${BT709},format=yuv420p,trim=end_frame=${frames},${exact}`
  return clipFilter({ input, width, height }, source, fps, file, label)
}

type ClipSource = Extract<PictureInput['source'], { kind: 'clip' }>

/** Whether its frames are made here and handed to the encoder: stills, and clips that are graded. */
export const isFed = ({ source }: PictureInput): boolean =>
  source.kind === 'photo' || (source.kind === 'clip' && !!source.grade)

/**
 * Filters that make a clip's frames as they are seen.
 *
 * @param label of what stands only within them, unlike others of the same graph
 */
export function clipFilter(
  { input, width, height }: SizedInput,
  source: ClipSource,
  fps: FrameRate,
  file: PictureFile | undefined,
  label: string,
): string {
  const { first, frames, span, ease } = input
  const exact = exactly(fps)
  const slip = Math.min(source.slip / SAMPLE_RATE, (file?.seconds ?? Infinity) - LEAST_SECONDS)
  const slipped = slip > 0 ? `trim=start=${slip.toFixed(6)},` : ''
  const timed =
    slipped || source.speed !== 1 ? `${slipped}setpts=(PTS-STARTPTS)/${source.speed},` : ''
  // Beyond its end the last frame stands: a clip that begins again shows for a moment what it was.
  const held = 'tpad=stop=-1:stop_mode=clone'
  const cut =
    `${timed}fps=${fps.join('/')},${held},` +
    `trim=start_frame=${first}:end_frame=${first + frames},${exact}`
  if (source.isWhole) return `${cut},${wholeFilter({ width, height }, label)}`
  // Frames that are the film's already are not touched: scaling in place costs a tenth of the
  // encoding.
  const fits = !!file?.plain && file.width === width && file.height === height
  const film = { width, height, fits }
  if (source.move) return `${cut},${viewFilter(source.move, { first, span, ease }, film)}`
  if (fits) return cut
  // Scaled to fill, those of another shape are not quite square, and would not fit behind others.
  return (
    `${cut},scale=${width}:${height}:force_original_aspect_ratio=increase:flags=bicubic:` +
    `${BT709},crop=${width}:${height},format=yuv420p,setsar=1`
  )
}
