import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/**
 * The smallest VITS model that sherpa-onnx runs: each letter is a tenth of a second of a tone,
 * louder by its place in the alphabet.
 */
export function writeTinyModel(folder: string, words: readonly string[]): string {
  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, 'model.onnx'), tinyModel())
  const letters = [...'abcdefghijklmnopqrstuvwxyz']
  writeFileSync(
    join(folder, 'tokens.txt'),
    `${['  40', '_ 0', ', 1', '. 2', '! 3', '? 4', ...letters.map((letter, i) => `${letter} ${i + 5}`)].join('\n')}\n`,
  )
  writeFileSync(
    join(folder, 'lexicon.txt'),
    `${words.map((word) => `${word} ${[...word].join(' ')}`).join('\n')}\n`,
  )
  return folder
}

export const TINY_RATE = 16_000
export const TINY_STEP = 1600
const [FLOAT, INT64] = [1, 7]

/**
 * Protocol Buffers wire format: numbers as base-128 varints, everything else with its length before
 * it.
 */
function varint(n: number): Buffer {
  const bytes = []
  for (let left = n; ; left = Math.floor(left / 128)) {
    bytes.push(left < 128 ? left : (left % 128) | 128)
    if (left < 128) return Buffer.from(bytes)
  }
}
const number = (field: number, n: number) => Buffer.concat([varint(field * 8), varint(n)])
function bytes(field: number, value: Buffer | string): Buffer {
  const body = typeof value === 'string' ? Buffer.from(value) : value
  return Buffer.concat([varint(field * 8 + 2), varint(body.length), body])
}
const message = (...parts: Buffer[]) => Buffer.concat(parts)

/** Field numbers of `onnx.proto` (ONNX, from memory; the runtime refuses a wrong one). */
const tensor = (name: string, dims: number[], type: number, raw: Buffer) =>
  message(...dims.map((d) => number(1, d)), number(2, type), bytes(8, name), bytes(9, raw))
const value = (name: string, type: number, dims: (number | string)[]) =>
  message(
    bytes(1, name),
    bytes(
      2,
      bytes(
        1,
        message(
          number(1, type),
          bytes(
            2,
            message(
              ...dims.map((d) => bytes(1, typeof d === 'string' ? bytes(2, d) : number(1, d))),
            ),
          ),
        ),
      ),
    ),
  )
const node = (op: string, inputs: string[], output: string, ...attributes: Buffer[]) =>
  message(
    ...inputs.map((input) => bytes(1, input)),
    bytes(2, output),
    bytes(4, op),
    ...attributes.map((attribute) => bytes(5, attribute)),
  )
const toFloat = message(bytes(1, 'to'), number(3, FLOAT), number(20, 2))
const int64s = (...values: bigint[]) => Buffer.from(BigInt64Array.from(values).buffer)

function tinyModel(): Buffer {
  const tone = Float32Array.from(
    { length: TINY_STEP },
    (_, i) => 0.02 * Math.sin((2 * Math.PI * 220 * i) / TINY_RATE),
  )
  const graph = message(
    bytes(1, node('Cast', ['x'], 'letters', toFloat)),
    bytes(1, node('Reshape', ['letters', 'column'], 'levels')),
    bytes(1, node('Mul', ['levels', 'tone'], 'parts')),
    bytes(1, node('Reshape', ['parts', 'row'], 'y')),
    bytes(2, 'tiny'),
    bytes(5, tensor('column', [3], INT64, int64s(1n, -1n, 1n))),
    bytes(5, tensor('row', [3], INT64, int64s(1n, 1n, -1n))),
    bytes(5, tensor('tone', [1, 1, TINY_STEP], FLOAT, Buffer.from(tone.buffer))),
    bytes(11, value('x', INT64, [1, 'n'])),
    bytes(11, value('x_length', INT64, [1])),
    ...['noise_scale', 'length_scale', 'noise_scale_w'].map((name) =>
      bytes(11, value(name, FLOAT, [1])),
    ),
    bytes(12, value('y', FLOAT, [1, 1, 't'])),
  )
  const about = {
    sample_rate: String(TINY_RATE),
    n_speakers: '1',
    language: 'English',
    comment: 'tiny',
    add_blank: '0',
    punctuation: ', . ! ?',
  }
  return message(
    number(1, 8),
    bytes(2, 'tidy-reel'),
    bytes(7, graph),
    bytes(8, message(bytes(1, ''), number(2, 13))),
    ...Object.entries(about).map(([key, text]) =>
      bytes(14, message(bytes(1, key), bytes(2, text))),
    ),
  )
}
