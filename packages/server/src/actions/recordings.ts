import { existsSync } from 'node:fs'
import { readFile, rename, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import pLimit from 'p-limit'
import type { Sequelize } from 'sequelize'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { type RecordedView, RecordingView } from '@tidy-reel/core/views/recording'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { alignRecording } from '@tidy-reel/engine/speech/recording/align-recording'
import { keepReading, missingWords } from '@tidy-reel/engine/speech/recording/recorded-take'
import { readRecording } from '@tidy-reel/engine/speech/recording/recording'
import { keptFile } from '@tidy-reel/engine/storage/kept-file'
import { received } from '@tidy-reel/engine/storage/upload'
import { SceneTake } from '../db/models.ts'
import { announce } from '../events.ts'
import { RECORDING } from '../jobs/kinds.ts'
import type { Queue } from '../jobs/queue.ts'
import type { EpisodeActions } from './episodes.ts'

/** An hour at 48 kHz in 16-bit stereo, and a little. */
export const RECORDING_BYTES_LIMIT = 720 * 1024 * 1024
const refuse = (reason: string) => new TidyError('recording_unusable', { reason })

/** Recordings of a person's own voice: a sentence by itself, or the whole in one go. */
export function recordingActions(
  sequelize: Sequelize,
  queue: Pick<Queue, 'send'>,
  config: EngineConfig,
  episodes: EpisodeActions,
  ownerId: string,
) {
  const { takes, recordings } = folders(config)
  const resultFile = (episodeId: string, recordingId: string) =>
    join(recordings, `${recordingId}.${episodeId}.json`)

  const remember = (
    episodeId: string,
    sceneId: string,
    text: string,
    hash: string,
    seconds: number,
  ) =>
    SceneTake.upsert({
      episodeId,
      ownerId,
      sceneId,
      hash,
      text,
      voice: 'recorded',
      kind: 'recorded',
      samples: Math.round(seconds * SAMPLE_RATE),
      usedAt: new Date(),
    })

  return {
    /** One sentence: cleaned, its words found, kept as a take that the scene can choose. */
    async sentence(episodeId: string, sceneId: string, bytes: Readable): Promise<RecordedView> {
      const { document } = await episodes.find(episodeId)
      const scene = document.scenes.find(({ id }) => id === sceneId)
      if (!scene) throw new TidyError('scene_not_found', { sceneId })
      return received(recordings, bytes, RECORDING_BYTES_LIMIT, refuse, async (half) => {
        const recording = await readRecording(half)
        const take = await keepReading(takes, recording, scene.text, {
          start: 0,
          end: recording.seconds,
        })
        await remember(episodeId, sceneId, scene.text, take, recording.seconds)
        return {
          take,
          seconds: recording.seconds,
          missing: await missingWords(takes, take, scene.text),
          remarks: recording.remarks,
        }
      })
    },
    /** The whole in one go: kept, and listened to by a worker. */
    async whole(episodeId: string, bytes: Readable): Promise<{ id: string }> {
      await episodes.find(episodeId)
      return received(recordings, bytes, RECORDING_BYTES_LIMIT, refuse, async (half, hash) => {
        if (!existsSync(join(recordings, hash))) await rename(half, join(recordings, hash))
        // What an earlier listening came to may be of another script.
        await rm(resultFile(episodeId, hash), { force: true })
        await queue.send(RECORDING, { episodeId, recordingId: hash }, `${episodeId} ${hash}`)
        return { id: hash }
      })
    },
    /** What a recording came to; undefined while it is listened to. */
    async result(episodeId: string, recordingId: string): Promise<RecordingView | undefined> {
      await episodes.find(episodeId)
      const text = await readFile(resultFile(episodeId, recordingId), 'utf8').catch(() => undefined)
      return text === undefined ? undefined : RecordingView.parse(JSON.parse(text))
    },
    /** Finds the film's sentences in a recording and makes a take of each; safe to repeat. */
    async listen(episodeId: string, recordingId: string, signal: AbortSignal): Promise<void> {
      const { document } = await episodes.find(episodeId)
      const { scenes } = filmOf({
        ...document,
        cards: {
          opening: { ...document.cards.opening, shown: false },
          closing: { ...document.cards.closing, shown: false },
        },
      })
      let told = 0
      const tell = (share: number) => {
        if (Date.now() - told < 400 && share < 1) return
        told = Date.now()
        void announce(sequelize, { episodeId, kind: 'recording', data: { id: recordingId, share } })
      }
      const view = await listened().catch((cause: unknown): RecordingView => {
        if (!isFault(cause) || cause.code === 'cancelled') throw cause
        return {
          seconds: 0,
          remarks: [],
          sentences: [],
          fault: { code: cause.code, message: cause.message },
        }
      })
      await writeWhole(resultFile(episodeId, recordingId), JSON.stringify(view))
      tell(1)

      async function listened(): Promise<RecordingView> {
        const recording = await readRecording(join(recordings, recordingId), signal)
        tell(0.05)
        const sentences = await alignRecording(
          recording,
          scenes.map(({ text }) => text),
          { signal, onProgress: (share) => tell(0.05 + share * 0.75) },
        )
        const two = pLimit(2)
        const kept = await Promise.all(
          sentences.map(({ start, end, text }, i) =>
            two(async () => {
              if (start === null || end === null) return null
              const take = await keepReading(takes, recording, text, { start, end }, signal)
              await remember(episodeId, itemAt(scenes, i).id, text, take, end - start)
              return take
            }),
          ),
        )
        return {
          seconds: recording.seconds,
          remarks: recording.remarks,
          fault: null,
          sentences: sentences.map(({ text, start, end, missing, extra, tries }, i) => ({
            sceneId: itemAt(scenes, i).id,
            text,
            start,
            end,
            missing,
            extra: extra.map(({ word }) => word),
            tries,
            take: itemAt(kept, i),
          })),
        }
      }
    },
  }
}
export type RecordingActions = ReturnType<typeof recordingActions>

/** In place of what an earlier listening came to. */
async function writeWhole(file: string, text: string) {
  const fresh = await keptFile(`${file.slice(0, -5)}.${Date.now()}.json`, (half) =>
    writeFile(half, text),
  )
  await rename(fresh, file)
}
