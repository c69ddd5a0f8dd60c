import { mkdtemp, rm, symlink } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseScript } from '@tidy-reel/core/script/parse'
import type { FilmShape, Segment } from '@tidy-reel/core/render/plan'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { assDocument } from '@tidy-reel/core/supers/ass'
import { stillMove } from '@tidy-reel/core/picture/move'
import { engineConfig, folders } from '@tidy-reel/engine/config'
import { fontsFolder } from '@tidy-reel/engine/render/fonts'
import { renderSegment } from '@tidy-reel/engine/render/segment'
import { ENCODER } from '@tidy-reel/engine/render/segment-args'
import { runProgram } from '@tidy-reel/engine/run/program'

const FRAMES = 150
const shape: FilmShape = { width: 1920, height: 1080, fps: [30, 1], burnIn: true }
const timed = async (run: () => Promise<unknown>) => {
  const start = performance.now()
  await run()
  return performance.now() - start
}

/** One 5 s segment against the bare encoder on the very frames it made; 1 would be free. */
async function segmentRatio(kind: 'photo' | 'clip', file: string, work: string): Promise<number> {
  const item = { id: `bench-${kind}`, kind, title: kind, seconds: 9, width: 1920, height: 1080, source: '', licence: '', author: '' }
  const ass = assDocument({ width: 1920, height: 1080, cues: [{ lines: ['A line of text', 'and another one'], start: 0, end: 200_000 }], supers: [] })
  const segment: Segment = { scene: 0, frames: FRAMES, shots: [{ frames: FRAMES, source: { kind, item, move: stillMove('bench') } }], ass, hash: `bench-${kind}` }
  const ours = await timed(() => renderSegment(work, work, segment, shape, [file], new AbortController().signal))
  const raw = join(work, `${kind}.yuv`)
  await runProgram('ffmpeg', ['-v', 'error', '-y', '-i', join(work, `bench-${kind}.mp4`), '-f', 'rawvideo', raw])
  const bare = await timed(() => runProgram('ffmpeg', ['-v', 'error', '-y', '-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', '1920x1080', '-r', '30', '-i', raw, ...ENCODER, '-threads', '1', '-f', 'mp4', join(work, 'bare.mp4')]))
  return bare / ours
}

const work = await mkdtemp(join(tmpdir(), 'tidy-bench-'))
try {
  await symlink(await fontsFolder(folders(engineConfig()).fonts), join(work, 'fonts'))
  const still = join(work, 'still.jpg')
  const clip = join(work, 'clip.mp4')
  await runProgram('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', 'mandelbrot=s=2560x1440', '-frames:v', '1', still])
  await runProgram('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', 'mandelbrot=s=1920x1080:r=30', '-t', '6', '-pix_fmt', 'yuv420p', clip])
  console.log(`segment of a moving still, frames a second against the bare encoder: ${(await segmentRatio('photo', still, work)).toFixed(2)}`)
  console.log(`segment of a clip, frames a second against the bare encoder: ${(await segmentRatio('clip', clip, work)).toFixed(2)}`)
  const parsed = parseScript('The keeper climbed the stairs and wound the weight to the top again. '.repeat(500))
  const runs = 20
  const spent = await timed(async () => { for (let i = 0; i < runs; i++) timeline({ scenes: [], speed: 1 }, parsed, [], [30, 1]) })
  console.log(`timeline of 500 scenes against the 16 ms of a screen's frame: ${(spent / runs / 16).toFixed(2)}`)
} finally {
  await rm(work, { recursive: true, force: true })
}
