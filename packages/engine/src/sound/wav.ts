import { SAMPLE_RATE } from '@tidy-reel/core/time/time'

export const WAV_HEAD_BYTES = 44

/**
 * The 44-byte head of a PCM WAV file (RIFF); `float` for 32-bit floats instead of 16-bit integers.
 */
export function wavHead(samples: number, channels: number, float = false): Buffer {
  const width = float ? 4 : 2
  const bytes = samples * channels * width
  const head = Buffer.alloc(WAV_HEAD_BYTES)
  head.write('RIFF', 0)
  head.writeUInt32LE(36 + bytes, 4)
  head.write('WAVEfmt ', 8)
  head.writeUInt32LE(16, 16)
  head.writeUInt16LE(float ? 3 : 1, 20)
  head.writeUInt16LE(channels, 22)
  head.writeUInt32LE(SAMPLE_RATE, 24)
  head.writeUInt32LE(SAMPLE_RATE * channels * width, 28)
  head.writeUInt16LE(channels * width, 32)
  head.writeUInt16LE(width * 8, 34)
  head.write('data', 36)
  head.writeUInt32LE(bytes, 40)
  return head
}

/** Floats in −1…1 as 16-bit samples. */
export function int16(pcm: Float32Array): Buffer {
  const out = Buffer.alloc(pcm.length * 2)
  for (let i = 0; i < pcm.length; i++)
    out.writeInt16LE(Math.round(Math.max(-1, Math.min(1, pcm[i]!)) * 32767), i * 2)
  return out
}

/** Two channels of one length as one row of samples that take turns. */
export function inTurns([left, right]: readonly [Float32Array, Float32Array]): Float32Array {
  const out = new Float32Array(2 * left.length)
  for (let i = 0; i < left.length; i++) {
    out[2 * i] = left[i]!
    out[2 * i + 1] = right[i]!
  }
  return out
}

/** Two channels as a WAV file of 16 bits. */
export const stereoWav = (channels: readonly [Float32Array, Float32Array]): Buffer =>
  Buffer.concat([wavHead(channels[0].length, 2), int16(inTurns(channels))])

/** Two channels that take turns, apart; `full` is what stands for full scale. */
export function apart(
  turns: Int16Array | Float32Array,
  full: number,
): [Float32Array, Float32Array] {
  const length = turns.length >> 1
  const [left, right] = [new Float32Array(length), new Float32Array(length)]
  for (let i = 0; i < length; i++) {
    left[i] = turns[2 * i]! / full
    right[i] = turns[2 * i + 1]! / full
  }
  return [left, right]
}

/** Bytes of 16-bit samples as samples; an odd byte at the end is left out. */
export const int16sOf = (bytes: Buffer): Int16Array =>
  new Int16Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + (bytes.byteLength & ~1)))
