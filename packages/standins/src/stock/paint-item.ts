/**
 * Paints one recipe's clip to a file, in a process of its own: `paint-item.ts RECIPE_JSON WIDTH
 * HEIGHT SECONDS OUT`.
 */
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { createCanvas } from '@napi-rs/canvas'
import { type Recipe, stageOf } from './recipes.ts'

/** Tests that look at no movement have fewer painted: it is nearly all the time a clip takes. */
const FRAMES_PER_SECOND = Number(process.env.STOCK_FRAMES_PER_SECOND || 30)

async function paintClip(
  recipe: Recipe,
  width: number,
  height: number,
  seconds: number,
  out: string,
) {
  const stage = await stageOf(recipe, width)
  stage.settle()
  const canvas = createCanvas(width, height)
  const encoder = spawn(
    'ffmpeg',
    [
      '-v',
      'error',
      '-nostdin',
      '-y',
      '-f',
      'rawvideo',
      '-pix_fmt',
      'rgba',
      '-s',
      `${width}x${height}`,
      '-r',
      String(FRAMES_PER_SECOND),
      '-i',
      'pipe:0',
      '-vf',
      'scale=out_color_matrix=bt709:out_range=tv,format=yuv420p',
      '-color_primaries',
      'bt709',
      '-color_trc',
      'bt709',
      '-colorspace',
      'bt709',
      '-color_range',
      'tv',
      '-c:v',
      'libx264',
      '-preset',
      'ultrafast',
      '-crf',
      '20',
      '-threads',
      '2',
      '-movflags',
      '+faststart',
      '-f',
      'mp4',
      out,
    ],
    { stdio: ['pipe', 'ignore', 'inherit'] },
  )
  const ended = once(encoder, 'exit')
  for (let frame = 0; frame < seconds * FRAMES_PER_SECOND; frame++) {
    stage.draw(canvas, frame / FRAMES_PER_SECOND, seconds)
    if (!encoder.stdin.write(canvas.data())) await once(encoder.stdin, 'drain')
  }
  encoder.stdin.end()
  const [code] = (await ended) as [number]
  if (code !== 0) throw new Error(`the encoder ended with ${code}`)
}

const [recipe, width, height, seconds, out] = process.argv.slice(2) as [
  string,
  string,
  string,
  string,
  string,
]
paintClip(JSON.parse(recipe) as Recipe, Number(width), Number(height), Number(seconds), out).catch(
  (error: unknown) => {
    console.error(error)
    process.exitCode = 1
  },
)
