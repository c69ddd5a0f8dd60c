import { posix } from 'node:path'
import { inflateSync } from 'node:zlib'

/** Files inside a Qt resource archive (`.rcc`), as `{ path, body }`. */
export function* rccFiles(archive) {
  if (archive.toString('latin1', 0, 4) !== 'qres') throw new Error('not a Qt resource archive')
  const [version, tree, data, names] = [4, 8, 12, 16].map((at) => archive.readUInt32BE(at))
  const size = version === 1 ? 14 : 22
  const stack = [[0, '']]
  while (stack.length) {
    const [index, folder] = stack.pop()
    const at = tree + index * size
    const flags = archive.readUInt16BE(at + 4)
    const path = posix.join(folder, index ? nameAt(archive, names + archive.readUInt32BE(at)) : '')
    if (flags & 2) {
      const [count, first] = [archive.readUInt32BE(at + 6), archive.readUInt32BE(at + 10)]
      for (let k = 0; k < count; k++) stack.push([first + k, path])
      continue
    }
    const start = data + archive.readUInt32BE(at + 10)
    const body = archive.subarray(start + 4, start + 4 + archive.readUInt32BE(start))
    yield { path, body: flags & 1 ? inflateSync(body.subarray(4)) : body }
  }
}

function nameAt(archive, at) {
  const length = archive.readUInt16BE(at)
  return Buffer.from(archive.subarray(at + 6, at + 6 + 2 * length))
    .swap16()
    .toString('utf16le')
}
