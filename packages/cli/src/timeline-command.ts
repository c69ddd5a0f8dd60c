import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { frameOf, inShares } from '@tidy-reel/core/film/lettering/frame'
import { cueBox, cueStyle } from '@tidy-reel/core/film/subtitles/cue-place'
import {
  clockText,
  type FrameRate,
  SAMPLE_RATE,
  secondsFromSamples,
} from '@tidy-reel/core/time/time'
import { engineConfig } from '@tidy-reel/engine/config'
import { atlasFor } from '@tidy-reel/engine/make/atlas-for'
import { speechPlace } from '@tidy-reel/engine/speech/take'
import { readDocumentOrScript } from './document-files.ts'
import { filmShape } from './film-shape.ts'
import { plannedFilm } from './planned-film.ts'
import { print } from './print.ts'
import { styled } from './styled.ts'

export interface TimelineFlags {
  fps: string
  size: string
  style?: string
  json?: boolean
}

/** Whether the picture of the scene before goes on over a scene, or its own begins before it. */
const begins = (scene: FilmScene | undefined) => ({
  holds: scene?.begins === 'hold',
  early: scene?.begins === 'early',
})

/** Frames that something is seen in: libass draws what has begun, to the hundredth of a second. */
function framesSeen({ start, end }: { start: number; end: number }, [num, den]: FrameRate) {
  const first = (samples: number) =>
    Math.ceil((Math.round((samples * 100) / SAMPLE_RATE) / 100) * (num / den) - 1e-6)
  return { startFrame: first(start), endFrame: first(end) }
}

/**
 * Prints exact frames and samples, by the takes there are, else by the estimate; and the place of
 * everything that is written on the picture, in shares of it.
 */
export async function timelineCommand(
  file: string,
  { fps: asked, size, style, json }: TimelineFlags,
) {
  const shape = filmShape({ size, fps: asked, burnIn: true })
  const { fps } = shape
  const document = styled(await readDocumentOrScript(file), style)
  const { film, plan } = await plannedFilm(document, fps, speechPlace(engineConfig()))
  const { frames, samples, scenes } = plan
  const list = scenes.map(({ id, startFrame, endFrame, startSample, endSample, shots }, i) => ({
    id,
    ...begins(film.scenes[i]),
    startFrame,
    endFrame,
    startSample,
    endSample,
    shots: shots.map((shot) => ({
      startFrame: shot.startFrame,
      endFrame: shot.endFrame,
      item: shot.item?.id ?? null,
    })),
  }))
  const frame = frameOf(shape.width, shape.height)
  const letters = filmLetters(plan, film, shape, { atlas: await atlasFor(film) })
  const cues = letters.cues.map((cue) => ({
    ...framesSeen(cue, fps),
    lines: cue.lines,
    box: inShares(cueBox(cue, cueStyle(cue, film.lettering.subtitle), frame), frame),
  }))
  const supers = letters.supers.map((one) => ({
    kind: one.kind,
    text: one.text,
    ...framesSeen(one, fps),
    box: inShares(one.box, frame),
  }))
  const inlays = letters.inlays.map((one) => ({
    kind: one.of ? 'inlay' : 'sign',
    item: one.item.id,
    ...framesSeen(one, fps),
    box: inShares(one.around, frame),
  }))
  print(
    json
      ? { fps, frames, samples, scenes: list, cues, supers, inlays }
      : scenes
          .map(
            (scene) =>
              `${clockText(secondsFromSamples(scene.startSample))}  ${scene.startFrame}–${scene.endFrame}  ${scene.card ?? scene.text}`,
          )
          .join('\n'),
  )
}
