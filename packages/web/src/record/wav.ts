const HEAD = 44

/** A 16-bit mono WAV file (RIFF) of samples in −1…1. */
export function wavOf(chunks: readonly Float32Array[], rate: number): Blob {
  const samples = chunks.reduce((sum, chunk) => sum + chunk.length, 0)
  const view = new DataView(new ArrayBuffer(HEAD + samples * 2))
  const letters = (at: number, text: string) =>
    [...text].forEach((letter, i) => view.setUint8(at + i, letter.charCodeAt(0)))
  letters(0, 'RIFF')
  view.setUint32(4, HEAD - 8 + samples * 2, true)
  letters(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  view.setUint16(20, 1, true)
  view.setUint16(22, 1, true)
  view.setUint32(24, rate, true)
  view.setUint32(28, rate * 2, true)
  view.setUint16(32, 2, true)
  view.setUint16(34, 16, true)
  letters(36, 'data')
  view.setUint32(40, samples * 2, true)
  let at = HEAD
  for (const chunk of chunks)
    for (const sample of chunk) {
      view.setInt16(at, Math.round(Math.max(-1, Math.min(1, sample)) * 32_767), true)
      at += 2
    }
  return new Blob([view.buffer], { type: 'audio/wav' })
}
