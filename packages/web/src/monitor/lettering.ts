import JASSUB from 'jassub'
import plainWasm from 'jassub/dist/wasm/jassub-worker.wasm?url'
import modernWasm from 'jassub/dist/wasm/jassub-worker-modern.wasm?url'
import worker from 'virtual:lettering-worker'
import { FACES } from '@tidy-reel/core/style/faces'
import { fontAddresses } from './font-addresses.ts'

/** Everything written on the picture, drawn by the libass that draws it in the render. */
export interface Lettering {
  /** Takes a document up; done when what is shown from now on is of it. */
  write(ass: string): Promise<void>
  /** Draws what is written at a moment, in seconds; true once it has been drawn. */
  show(seconds: number): Promise<void>
  close(): void
}

const BLANK =
  '[Script Info]\nScriptType: v4.00+\n\n[V4+ Styles]\nFormat: Name\n\n[Events]\nFormat: ' +
  'Layer, Start, End, Style, Text\n'

export function lettering(canvas: HTMLCanvasElement): Lettering {
  const absolute = (address: string) => new URL(address, location.href).href
  const there = new Set<string>()
  /** Those a document names and that are not there yet. */
  const missing = (ass: string) => {
    const wanted = fontAddresses(ass).filter((address) => !there.has(address))
    for (const address of wanted) there.add(address)
    return wanted.map(absolute)
  }
  const libass = new JASSUB({
    canvas,
    workerUrl: absolute(worker),
    wasmUrl: absolute(plainWasm),
    modernWasmUrl: absolute(modernWasm),
    subContent: BLANK,
    fonts: missing(FACES['source-sans'].family),
    defaultFont: FACES['source-sans'].family,
    queryFonts: false,
    availableFonts: {},
  })
  let wanted: { seconds: number } | undefined
  let drawing: Promise<void> | undefined
  const draw = async () => {
    await libass.ready
    while (wanted) {
      const { seconds } = wanted
      wanted = undefined
      await libass.manualRender(
        {
          expectedDisplayTime: performance.now(),
          width: canvas.clientWidth,
          height: canvas.clientHeight,
          mediaTime: seconds,
        },
        true,
      )
    }
  }
  let newest = ''
  let writing = Promise.resolve<unknown>(undefined)
  async function take(ass: string) {
    const fonts = missing(ass)
    await libass.ready
    if (fonts.length) await libass.renderer.addFonts(fonts)
    await libass.renderer.setTrack(ass)
  }
  return {
    write(ass) {
      newest = ass
      // One after the other: a document that waits for its fonts is not to come after a later one.
      const done = writing.then(() => (newest === ass ? take(ass) : undefined))
      writing = done.catch(() => undefined)
      return done
    },
    show(seconds) {
      wanted = { seconds }
      drawing ??= draw().finally(() => (drawing = undefined))
      return drawing
    },
    close: () => void libass.destroy().catch(() => undefined),
  }
}
