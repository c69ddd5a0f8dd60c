import type { Film } from '@tidy-reel/core/document/film-scenes'
import { filmLetters, needsAtlas } from '@tidy-reel/core/film/film-letters'
import { assDocument } from '@tidy-reel/core/film/lettering/ass-document'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import type { PlacedInlay } from '@tidy-reel/core/film/placed-inlay'
import { partedLetters } from '@tidy-reel/core/film/shades'
import { cardsOf, type SegmentShot } from '@tidy-reel/core/film/shots'
import type { SoftShade } from '@tidy-reel/core/film/soft-shade'
import { cardMarks } from '@tidy-reel/core/film/supers/card-marks'
import type { Light } from '@tidy-reel/core/pictures/light'
import { meetFaces } from '@tidy-reel/core/style/own-face'
import { sampleAtFrame } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { MovableThing } from './movable.ts'

/** A film to be lettered; of several that wait only the last is wanted. */
export interface LettersAsked {
  film: Timeline
  plan: Film
  shots: SegmentShot[][]
  /** Of pictures, by their ids. */
  lights: ReadonlyMap<string, Light>
  width: number
  height: number
}

/** What a film has on its pictures. */
export interface Lettered {
  /** Everything written, as one document: the render writes the same, scene by scene. */
  ass: string
  inlays: PlacedInlay[]
  /** Soft grounds of what is written, under it. */
  shades: SoftShade[]
  /** What a person may put elsewhere. */
  movable: MovableThing[]
}

async function written({
  film,
  plan,
  shots,
  lights,
  width,
  height,
}: LettersAsked): Promise<Lettered> {
  const { lettering } = plan
  meetFaces(lettering.faces)
  const frame = frameOf(width, height)
  const cards = film.scenes.flatMap((scene, n) => {
    const at = sampleAtFrame(scene.startFrame, film.fps)
    return cardsOf(shots[n] ?? [], film.fps).flatMap((card) =>
      cardMarks({ ...card, start: card.start + at, end: card.end + at }, lettering, frame),
    )
  })
  const { cues, supers, inlays } = filmLetters(
    film,
    plan,
    { width, height },
    { atlas: await atlasFor(plan), pictures: { shots, lights } },
  )
  const drawn = partedLetters({ cues, supers, lettering }, frame)
  const marks = [...cards, ...drawn.marks]
  return {
    ass: assDocument({ width, height, lettering, cues, marks }),
    inlays,
    shades: drawn.shades,
    movable: [
      ...supers.flatMap((one): MovableThing[] =>
        one.of && one.kind !== 'point' ? [{ ...one.of, ...span(one), kind: 'super' }] : [],
      ),
      ...inlays.flatMap(({ of, around, item, ...inlay }): MovableThing[] =>
        of ? [{ ...of, ...span({ ...inlay, box: around, text: item.title }), kind: 'inlay' }] : [],
      ),
    ],
  }
}

const span = ({ text, box, start, end }: Omit<MovableThing, 'kind' | 'sceneId' | 'index'>) => ({
  text,
  box,
  start,
  end,
})

/** Comes once, and only with a map to be drawn. */
const atlasFor = async (plan: Film) =>
  needsAtlas(plan) ? (await import('@tidy-reel/core/film/maps/world')).WORLD : undefined

const waiting: LettersAsked[] = []
let isWriting = false

/** One after the other: one that waits for its atlas is not to answer after a later one. */
async function writeAll() {
  isWriting = true
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    // Those that came before it are no longer wanted.
    waiting.length = 0
    self.postMessage(await written(next))
  }
  isWriting = false
}

self.onmessage = ({ data }: MessageEvent<LettersAsked>) => {
  waiting.push(data)
  if (!isWriting) void writeAll()
}
