import type { FileHandle } from 'node:fs/promises'

/** Where a box of an MP4 file begins and ends, and where its content begins (ISO/IEC 14496-12). */
export interface Box {
  type: string
  content: number
  end: number
}

/** The boxes between two places of a file, in order. @returns `[]` where there is no room for one */
export async function boxesIn(handle: FileHandle, from: number, to: number): Promise<Box[]> {
  const boxes: Box[] = []
  for (let at = from; at + 8 <= to;) {
    const head = await bytesAt(handle, at, 16)
    const short = head.readUInt32BE(0)
    // 1: the length stands behind the name, in eight bytes; 0: the box goes on to the end.
    const length = short === 1 ? Number(head.readBigUInt64BE(8)) : short || to - at
    const end = at + Math.max(8, length)
    const content = at + (short === 1 ? 16 : 8)
    boxes.push({ type: head.toString('latin1', 4, 8), content, end })
    at = end
  }
  return boxes
}

/** Bytes of a file; zeros beyond its end. */
export async function bytesAt(handle: FileHandle, at: number, count: number): Promise<Buffer> {
  const buffer = Buffer.alloc(count)
  await handle.read(buffer, 0, count, at)
  return buffer
}
