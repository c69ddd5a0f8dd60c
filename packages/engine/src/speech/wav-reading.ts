import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * The sound of a 16-bit PCM WAV file (RIFF), several channels mixed to one.
 *
 * @throws TidyError `voice_failed` naming what is wrong with it
 */
export function pcmOf(wav: Buffer, engine = 'The voice'): { pcm: Int16Array; rate: number } {
  const fail = (reason: string) => new TidyError('voice_failed', { engine, reason })
  if (
    wav.length < 12 ||
    wav.toString('latin1', 0, 4) !== 'RIFF' ||
    wav.toString('latin1', 8, 12) !== 'WAVE'
  )
    throw fail('it gave something that is no WAV file')
  let format: { channels: number; rate: number } | undefined
  for (let at = 12; at + 8 <= wav.length;) {
    const id = wav.toString('latin1', at, at + 4)
    const size = wav.readUInt32LE(at + 4)
    const body = at + 8
    if (id === 'fmt ' && body + 16 <= wav.length) {
      if (wav.readUInt16LE(body) !== 1 || wav.readUInt16LE(body + 14) !== 16)
        throw fail('its sound is not 16-bit PCM')
      format = { channels: wav.readUInt16LE(body + 2), rate: wav.readUInt32LE(body + 4) }
      if (format.channels < 1 || format.channels > 8 || format.rate < 8000 || format.rate > 192_000)
        throw fail(`it gave ${format.channels} channels at ${format.rate} Hz`)
    }
    // Programs that write to a pipe do not know the length and leave it at the most.
    if (id === 'data' && format)
      return {
        pcm: mono(wav.subarray(body, Math.min(wav.length, body + size)), format.channels),
        rate: format.rate,
      }
    at = body + size + (size % 2)
  }
  throw fail('it gave a WAV file without sound')
}

function mono(data: Buffer, channels: number): Int16Array {
  const samples = Math.floor(data.length / (2 * channels))
  const pcm = new Int16Array(samples)
  for (let i = 0; i < samples; i++) {
    let sum = 0
    for (let c = 0; c < channels; c++) sum += data.readInt16LE((i * channels + c) * 2)
    pcm[i] = Math.round(sum / channels)
  }
  return pcm
}
