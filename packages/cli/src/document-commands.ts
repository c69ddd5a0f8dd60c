import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import { commandName } from '@tidy-reel/core/document/command-name'
import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import { inverseOf } from '@tidy-reel/core/document/inverse'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { clockText, secondsFromSamples } from '@tidy-reel/core/time/time'
import { engineConfig } from '@tidy-reel/engine/config'
import { speechPlace } from '@tidy-reel/engine/speech/take'
import {
  nameOf,
  readCommands,
  readDocument,
  readDocumentOrScript,
  writeJson,
} from './document-files.ts'
import { frameRate } from './film-shape.ts'
import { plannedFilm } from './planned-film.ts'
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
  const fps = frameRate(asked)
  const document = await readDocumentOrScript(file)
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
