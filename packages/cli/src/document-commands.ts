import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import { commandName } from '@tidy-reel/core/document/command-name'
import { filmOf, type FilmScene } from '@tidy-reel/core/document/film-scenes'
import { inverseOf } from '@tidy-reel/core/document/inverse'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { clockText, parseFrameRate, secondsFromSamples } from '@tidy-reel/core/time/time'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { engineConfig } from '@tidy-reel/engine/config'
import { takeRequests } from '@tidy-reel/engine/make/filmable'
import { knownTake, speechPlace } from '@tidy-reel/engine/speech/take'
import {
  nameOf,
  readCommands,
  readDocument,
  readDocumentOrScript,
  writeJson,
} from './document-files.ts'
import { print } from './print.ts'
import { readScript } from './read-script.ts'

/** Writes the document of a script, nothing chosen yet. */
export async function newCommand(script: string, { out, title }: { out: string; title?: string }) {
  const document = documentFrom(title ?? nameOf(script), await readScript(script))
  if (!document.script.trim()) throw new TidyError('script_empty')
  if (!document.scenes.length) throw new TidyError('script_nothing_spoken')
  await writeJson(out, document)
  process.stderr.write(`${document.scenes.length} scenes\n`)
}

/**
 * Carries commands out, all or none, and writes the command that takes them back beside the result,
 * as `NAME.inverse.json`.
 */
export async function applyCommand(file: string, commandsFile: string, { out }: { out: string }) {
  const before = await readDocument(file)
  const commands = await readCommands(commandsFile)
  const after = commands.reduce((document, command) => apply(document, command).document, before)
  await writeJson(out, after)
  await writeJson(`${out.replace(/\.json$/, '')}.inverse.json`, [
    { type: 'takeBack', inverse: inverseOf(after, before) },
  ])
  for (const command of commands) process.stderr.write(`${commandName(command)}\n`)
}

/** Whether the picture of the scene before goes on over a scene, or its own begins before it. */
const begins = (scene: FilmScene | undefined) => ({
  holds: scene?.begins === 'hold',
  early: scene?.begins === 'early',
})

/** Prints exact frames and samples: by the takes there are, else by the estimate. */
export async function timelineCommand(
  file: string,
  { fps: asked, json }: { fps: string; json?: boolean },
) {
  const fps = parseFrameRate(asked)
  if (!fps)
    throw new TidyError('option_invalid', {
      option: '--fps',
      value: asked,
      wanted: 'one of 24, 25, 30, 50, 60, 24000/1001, 30000/1001',
    })
  const document = await readDocumentOrScript(file)
  const film = filmOf(document)
  if (!film.scenes.length) throw new TidyError('script_nothing_spoken')
  const speech = speechPlace(engineConfig())
  const known = await Promise.all(
    takeRequests(document, film).map(async (request) => request && knownTake(speech, request)),
  )
  const { frames, samples, scenes } = timeline(film, known, fps)
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
  print(
    json
      ? { fps, frames, samples, scenes: list }
      : scenes
          .map(
            (scene) =>
              `${clockText(secondsFromSamples(scene.startSample))}  ${scene.startFrame}–${scene.endFrame}  ${scene.card ?? scene.text}`,
          )
          .join('\n'),
  )
}
