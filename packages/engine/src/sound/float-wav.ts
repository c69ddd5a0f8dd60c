import { once } from 'node:events'
import { createWriteStream } from 'node:fs'
import { type FileHandle, open } from 'node:fs/promises'
import { finished } from 'node:stream/promises'
import { inTurns, WAV_HEAD_BYTES, wavHead } from './wav.ts'

/** Two channels of 32-bit floats. */
const FRAME_BYTES = 8

type Stereo = readonly [Float32Array, Float32Array]

/** A WAV of two channels of 32-bit floats, 48 kHz, written piece by piece. */
export interface FloatWavWriter {
  /** A disk that is full is heard of with the next piece, or at the end. */
  add(sound: Stereo): Promise<void>
  end(): Promise<void>
  /** Lets go of the file, whether or not it is whole. */
  close(): void
}

export function floatWavWriter(path: string, samples: number): FloatWavWriter {
  const stream = createWriteStream(path).on('error', () => undefined)
  stream.write(wavHead(samples, 2, true))
  return {
    async add(sound) {
      if (stream.errored) throw stream.errored
      if (!stream.write(Buffer.from(inTurns(sound).buffer))) await once(stream, 'drain')
    },
    async end() {
      stream.end()
      await finished(stream)
    },
    close: () => void stream.destroy(),
  }
}

/** Reads such a file anywhere. */
export interface FloatWavReader {
  /** Samples `from` to `to`; silence outside the file. */
  read(from: number, to: number): Promise<[Float32Array, Float32Array]>
  close(): Promise<void>
}

export async function floatWavReader(path: string, samples: number): Promise<FloatWavReader> {
  const file = await open(path)
  return {
    read: (from, to) => stretchOf(file, from, to, samples),
    close: () => file.close(),
  }
}

async function stretchOf(
  file: FileHandle,
  from: number,
  to: number,
  samples: number,
): Promise<[Float32Array, Float32Array]> {
  const [left, right] = [new Float32Array(to - from), new Float32Array(to - from)]
  const [first, end] = [Math.max(0, from), Math.min(samples, to)]
  const bytes = Buffer.alloc(Math.max(0, end - first) * FRAME_BYTES)
  await file.read(bytes, 0, bytes.length, WAV_HEAD_BYTES + first * FRAME_BYTES)
  const turns = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.length / 4)
  for (let i = 0; i < end - first; i++) {
    left[first - from + i] = turns[2 * i]!
    right[first - from + i] = turns[2 * i + 1]!
  }
  return [left, right]
}
