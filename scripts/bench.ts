import { mkdtemp, rm, symlink } from 'node:fs/promises'
import { cpus, tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import pLimit from 'p-limit'
import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { MIDDLE_VIEW } from '@tidy-reel/core/pictures/framing'
import type { Grade } from '@tidy-reel/core/pictures/grade/grade'
import { easeOf, moveKind, stillMove } from '@tidy-reel/core/pictures/move'
import type { FilmShape, Segment } from '@tidy-reel/core/render/plan'
import { CALM } from '@tidy-reel/core/style/calm'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { engineConfig, folders } from '@tidy-reel/engine/config'
import { renderSegments } from '@tidy-reel/engine/render/film'
import { fontsFolder } from '@tidy-reel/engine/render/fonts'
import { ENCODER } from '@tidy-reel/engine/render/segment-args'
import { runProgram } from '@tidy-reel/engine/run/program'
import { benchLetters } from './bench-letters.ts'

const ROOT = fileURLToPath(new URL('..', import.meta.url))
const FRAMES = 120
const SEGMENTS = 6
const ROUNDS = 3
const shape: FilmShape = { width: 1920, height: 1080, fps: [30, 1], burnIn: true }
const timed = async (run: () => Promise<unknown>) => {
  const start = performance.now()
  await run()
  return performance.now() - start
}

/**
 * Segments of 4 s as a film has them, against the bare encoder on the very frames they made, both
 * as many at once as there are cores; 1 would be free.
 */
const moveOf = (seed: string, seconds: number) =>
  stillMove({ seed, seconds, times: 0, kind: moveKind(seed, 0), best: MIDDLE_VIEW })

async function renderRatio(kind: 'photo' | 'clip', path: string, folder: string): Promise<number> {
  const { ours, made } = await rendered(kind, path, folder, 'plain')
  return (await bareEncoding(made)) / ours
}

/** In turns, the least of each: what else the machine does takes time from all of them. */
async function leastOf<Name extends string>(
  names: readonly Name[],
  run: (name: Name, round: number) => Promise<{ ours: number }>,
): Promise<Record<Name, number>> {
  const least = Object.fromEntries(names.map((name) => [name, Infinity])) as Record<Name, number>
  for (let round = 0; round < ROUNDS; round++)
    for (const name of names) least[name] = Math.min(least[name], (await run(name, round)).ours)
  return least
}

/** The same segments with nothing written on them against as a film is dressed, and with all at once. */
async function burnInRatios(path: string, folder: string): Promise<[dressed: number, all: number]> {
  const least = await leastOf(['none', 'dressed', 'all'], (letters, round) =>
    rendered('clip', path, folder, letters, String(round)),
  )
  return [least.none / least.dressed, least.none / least.all]
}

/** Everything a grade can do at once. */
const ALL_OF_IT: Grade = {
  look: 'dusk',
  ...{ exposure: 0.3, contrast: 15, saturation: 10, warmth: 20, tint: 5, shadows: 12, lights: -8 },
  ...{ fade: 10, vignette: 40, grain: 30 },
}

/** Pictures as they are against those with a look, and with all of it at once. */
async function gradeRatios(
  kind: 'photo' | 'clip',
  path: string,
  folder: string,
): Promise<[look: number, all: number]> {
  const grades = { none: undefined, look: { look: 'dusk' }, all: ALL_OF_IT } as const
  const least = await leastOf(['none', 'look', 'all'], (name, round) =>
    rendered(kind, path, folder, 'none', `${name} ${round}`, grades[name]),
  )
  return [least.none / least.look, least.none / least.all]
}

async function rendered(
  kind: 'photo' | 'clip',
  path: string,
  folder: string,
  letters: Parameters<typeof benchLetters>[0],
  round = '',
  grade?: Grade,
): Promise<{ ours: number; made: string[] }> {
  const item = {
    id: `bench-${kind}`,
    kind,
    title: kind,
    seconds: 9,
    width: 1920,
    height: 1080,
    source: '',
    licence: '',
    author: '',
  }
  const graded = grade ? { grade } : {}
  const written = benchLetters(letters, shape)
  const segments = Array.from({ length: SEGMENTS }, (_, i): Segment => ({
    scene: i,
    frames: FRAMES,
    shots: [
      {
        first: 0,
        frames: FRAMES,
        span: FRAMES,
        ease: easeOf(FRAMES / 30),
        source:
          kind === 'photo'
            ? { kind, item, move: moveOf(`bench ${i}`, FRAMES / 30), ...graded }
            : { kind, item, slip: 0, speed: 1, ...graded },
      },
    ],
    palette: CALM.lettering.palette,
    inlays: [],
    ...itemAt(written, i % written.length),
    hash: `bench-${kind}-${letters}-${round}-${i}`,
  }))
  const file = { path, width: 1920, height: 1080, plain: kind === 'clip', seconds: null }
  let made: string[] = []
  const ours = await timed(async () => {
    made = await renderSegments(
      { segments: folder, work: folder, fonts: join(folder, 'fonts') },
      { segments, files: segments.map(() => [file]), fetched: new Map(), shape },
      new AbortController().signal,
      () => undefined,
    )
  })
  return { ours, made }
}

/** Milliseconds that the encoder alone takes for the very frames of some segments. */
async function bareEncoding(made: readonly string[]): Promise<number> {
  const raw = await Promise.all(
    made.map(async (segment) => {
      await runProgram('ffmpeg', [
        '-v',
        'error',
        '-y',
        '-i',
        segment,
        '-f',
        'rawvideo',
        `${segment}.yuv`,
      ])
      return `${segment}.yuv`
    }),
  )
  const limit = pLimit(cpus().length)
  return timed(() =>
    Promise.all(
      raw.map((yuv) =>
        limit(() =>
          runProgram('ffmpeg', [
            '-v',
            'error',
            '-y',
            '-f',
            'rawvideo',
            '-pix_fmt',
            'yuv420p',
            '-s',
            '1920x1080',
            '-r',
            '30',
            '-i',
            yuv,
            ...ENCODER,
            '-threads',
            '1',
            '-f',
            'mp4',
            `${yuv}.mp4`,
          ]),
        ),
      ),
    ),
  )
}

const work = await mkdtemp(join(tmpdir(), 'tidy-bench-'))
try {
  await symlink(await fontsFolder(folders(engineConfig()).fonts), join(work, 'fonts'))
  const [still, clip] = [join(work, 'still.jpg'), join(work, 'clip.mp4')]
  const recipe = JSON.stringify({
    seed: 'bench',
    setting: 'harbour',
    time: 'day',
    subject: { drawing: 'sailboat', act: 'bob' },
  })
  await runProgram(process.execPath, [
    '--import',
    'tsx',
    join(ROOT, 'packages/standins/src/stock/paint-item.ts'),
    recipe,
    '1920',
    '1080',
    '5',
    clip,
  ])
  await runProgram('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-i',
    clip,
    '-frames:v',
    '1',
    '-q:v',
    '2',
    still,
  ])
  console.log(
    `moving stills, frames a second against the bare encoder: ${(await renderRatio('photo', still, work)).toFixed(2)}`,
  )
  console.log(
    `clips, frames a second against the bare encoder: ${(await renderRatio('clip', clip, work)).toFixed(2)}`,
  )
  const [dressed, all] = await burnInRatios(clip, work)
  console.log(`burn-in of a film as one is dressed against none: ${dressed.toFixed(2)}`)
  console.log(`burn-in of everything at once against none: ${all.toFixed(2)}`)
  for (const [kind, path] of [
    ['photo', still],
    ['clip', clip],
  ] as const) {
    const [look, everything] = await gradeRatios(kind, path, work)
    console.log(`a look on a ${kind} against none: ${look.toFixed(2)}`)
    console.log(`everything a grade does on a ${kind} against none: ${everything.toFixed(2)}`)
  }
  const document = documentFrom(
    'Bench',
    Array.from(
      { length: 500 },
      (_, n) =>
        `The keeper climbed the stairs and wound weight number ${n} to the top again.${n % 5 === 4 ? '\n\n' : ' '}`,
    ).join(''),
  )
  const runs = 20
  const spent = await timed(async () => {
    for (let i = 0; i < runs; i++) timeline(filmOf(document), [], [30, 1])
  })
  let edited = document
  const edits = await timed(async () => {
    for (let i = 0; i < runs; i++) {
      edited = apply(edited, {
        type: 'editNarration',
        sceneId: edited.scenes[i * 20]!.id,
        text: `The keeper climbed the stairs for the ${i}th time.`,
      }).document
      timeline(filmOf(edited), [], [30, 1])
    }
  })
  console.log(
    `an edit of 500 scenes, apply and timeline, against the 16 ms of a screen's frame: ${(edits / runs / 16).toFixed(2)}`,
  )
  console.log(
    `timeline of 500 scenes against the 16 ms of a screen's frame: ${(spent / runs / 16).toFixed(2)}`,
  )
} finally {
  await rm(work, { recursive: true, force: true })
}
