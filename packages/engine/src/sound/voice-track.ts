import { createWriteStream } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { pipeline } from 'node:stream/promises'
import type { TimelineScene } from '@tidy-reel/core/timeline/timeline'
import { WAV_HEAD_BYTES, wavHead } from './wav.ts'

/** Samples of silence that are written at once. */
const CHUNK = 1 << 16

/**
 * Lays the takes of a film one after the other at their exact samples: 48 kHz mono WAV, `samples`
 * long.
 */
export async function voiceTrack(
  out: string,
  scenes: readonly TimelineScene[],
  takes: readonly (string | undefined)[],
  samples: number,
): Promise<void> {
  await pipeline(voicePcm(scenes, takes, samples), createWriteStream(out))
}

/** Head, speech and the silences between, in pieces. */
async function* voicePcm(
  scenes: readonly TimelineScene[],
  takes: readonly (string | undefined)[],
  samples: number,
): AsyncGenerator<Buffer> {
  yield wavHead(samples, 1)
  let at = 0
  function* silence(until: number): Generator<Buffer> {
    for (; at < until; at += Math.min(CHUNK, until - at))
      yield Buffer.alloc(Math.min(CHUNK, until - at) * 2)
  }
  for (const [i, scene] of scenes.entries()) {
    const take = takes[i]
    if (!take) continue
    yield* silence(Math.min(samples, scene.speechStart))
    const pcm = (await readFile(take)).subarray(WAV_HEAD_BYTES)
    const room = Math.max(0, samples - at) * 2
    yield pcm.subarray(0, room)
    at += Math.min(pcm.length, room) / 2
  }
  yield* silence(samples)
}
