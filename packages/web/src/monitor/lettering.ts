import serifLatin from '@fontsource/newsreader/files/newsreader-latin-500-normal.woff2?url'
import serifLatinExt from '@fontsource/newsreader/files/newsreader-latin-ext-500-normal.woff2?url'
import sansCyrillic from '@fontsource/source-sans-3/files/source-sans-3-cyrillic-600-normal.woff2?url'
import sansGreek from '@fontsource/source-sans-3/files/source-sans-3-greek-600-normal.woff2?url'
import sansLatin from '@fontsource/source-sans-3/files/source-sans-3-latin-600-normal.woff2?url'
import sansLatinExt from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-600-normal.woff2?url'
import sansVietnamese from '@fontsource/source-sans-3/files/source-sans-3-vietnamese-600-normal.woff2?url'
import JASSUB from 'jassub'
import plainWasm from 'jassub/dist/wasm/jassub-worker.wasm?url'
import modernWasm from 'jassub/dist/wasm/jassub-worker-modern.wasm?url'
import worker from 'virtual:lettering-worker'
import { FONTS } from '@tidy-reel/core/film/supers/ass'

/** Everything written on the picture, drawn by the libass that draws it in the render. */
export interface Lettering {
  write(ass: string): void
  /** Draws what is written at a moment, in seconds; true once it has been drawn. */
  show(seconds: number): Promise<void>
  close(): void
}

const BLANK =
  '[Script Info]\nScriptType: v4.00+\n\n[V4+ Styles]\nFormat: Name\n\n[Events]\nFormat: ' +
  'Layer, Start, End, Style, Text\n'

export function lettering(canvas: HTMLCanvasElement): Lettering {
  const absolute = (address: string) => new URL(address, location.href).href
  const fonts = [
    sansLatin,
    sansLatinExt,
    sansCyrillic,
    sansGreek,
    sansVietnamese,
    serifLatin,
    serifLatinExt,
  ].map(absolute)
  const libass = new JASSUB({
    canvas,
    workerUrl: absolute(worker),
    wasmUrl: absolute(plainWasm),
    modernWasmUrl: absolute(modernWasm),
    subContent: BLANK,
    fonts,
    defaultFont: FONTS.sans,
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
  return {
    write(ass) {
      void libass.ready.then(() => libass.renderer.setTrack(ass))
    },
    show(seconds) {
      wanted = { seconds }
      drawing ??= draw().finally(() => (drawing = undefined))
      return drawing
    },
    close: () => void libass.destroy().catch(() => undefined),
  }
}
