import { readFile } from 'node:fs/promises'

/** Width and height of a picture, in pixels, both even. */
export interface Size {
  width: number
  height: number
}

/** Bytes of a frame of YUV 4:2:0 planes, 8 bits each. */
export const bytesOf = ({ width, height }: Size) => (width * height * 3) / 2

/** What `assembly/*.ts` export; their comments say what the arguments are. */
interface Exports {
  memory: WebAssembly.Memory
  tableBytes: (width: number) => number
  resample: (
    src: number,
    sw: number,
    sh: number,
    dst: number,
    dw: number,
    dh: number,
    x: number,
    y: number,
    step: number,
    table: number,
    rows: number,
  ) => void
  gradePlanes: (
    y: number,
    u: number,
    v: number,
    width: number,
    height: number,
    cells: number,
    weights: number,
  ) => void
  overlayPlane: (
    plane: number,
    width: number,
    height: number,
    rest: number,
    map: number,
    grain: number,
    rows: number,
  ) => void
}

/** The program that makes frames, with a memory of its own. */
export interface FrameProgram extends Exports {
  /** So many bytes of its memory; views of it that were made before are no longer valid. */
  room(bytes: number): number
}

let compiled: Promise<WebAssembly.Module> | undefined
const module = () =>
  (compiled ??= readFile(new URL('../../assembly/frames.wasm', import.meta.url)).then((bytes) =>
    WebAssembly.compile(bytes),
  ))

/** Bytes of a page of WebAssembly memory. */
const PAGE = 65_536
/** What is below belongs to the program itself. */
const FIRST = 4096
/** Loads of vectors begin at such addresses, and may run over by as much. */
const ALIGNED = 64

/** Starts the program anew: two films at once do not share a memory. */
export async function frameProgram(): Promise<FrameProgram> {
  const { exports } = await WebAssembly.instantiate(await module(), {
    env: { abort: () => undefined },
  })
  const program = exports as unknown as Exports
  let next = FIRST
  return {
    ...program,
    room(bytes) {
      const at = next
      next = (next + bytes + 2 * ALIGNED - 1) & ~(ALIGNED - 1)
      const pages = Math.ceil(next / PAGE) - program.memory.buffer.byteLength / PAGE
      if (pages > 0) program.memory.grow(pages)
      return at
    },
  }
}
