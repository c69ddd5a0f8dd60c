import { describe, expect, it } from 'vitest'
import { wavOf } from './wav.ts'

describe('wavOf', () => {
  it('writes the head of the RIFF WAVE format and the samples in order, held to full scale', async () => {
    const blob = wavOf([Float32Array.of(0, 0.5), Float32Array.of(-1, 3)], 44_100)
    const view = new DataView(await blob.arrayBuffer())
    const text = (at: number) =>
      String.fromCharCode(...Array.from({ length: 4 }, (_, i) => view.getUint8(at + i)))
    expect([text(0), text(8), text(12), text(36)]).toEqual(['RIFF', 'WAVE', 'fmt ', 'data'])
    expect([
      view.getUint32(4, true),
      view.getUint16(22, true),
      view.getUint32(24, true),
      view.getUint32(40, true),
    ]).toEqual([blob.size - 8, 1, 44_100, 8])
    expect([0, 1, 2, 3].map((i) => view.getInt16(44 + i * 2, true))).toEqual([
      0, 16_384, -32_767, 32_767,
    ])
  })
})
