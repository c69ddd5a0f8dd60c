import { useEventListener } from '@vueuse/core'
import { z } from 'zod'
import { NewScene } from '@tidy-reel/core/document/command'
import { scriptScenes } from './script-scenes.ts'
import type { Sheet } from './use-sheet.ts'

const FORMAT = 'application/x-tidy-reel-scenes'
const Copied = z.array(NewScene).min(1).max(1000)

/**
 * Copy, cut and paste of scenes, within an episode and from one to another; any text can be put in
 * as scenes.
 */
export function useClipboard(sheet: Sheet, typing: (target: EventTarget | null) => boolean) {
  function copy(event: ClipboardEvent) {
    const scenes = sheet.copied()
    if (typing(event.target) || !scenes.length || getSelection()?.toString()) return
    event.clipboardData!.setData('text/plain', scenes.map(({ script }) => script).join('\n'))
    event.clipboardData!.setData(FORMAT, JSON.stringify(scenes))
    event.preventDefault()
    return true
  }
  useEventListener('copy', copy)
  useEventListener('cut', (event: ClipboardEvent) => {
    if (copy(event)) sheet.remove()
  })
  useEventListener('paste', (event: ClipboardEvent) => {
    if (typing(event.target) || !event.clipboardData) return
    event.preventDefault()
    const kept = event.clipboardData.getData(FORMAT)
    const read = kept ? Copied.safeParse(JSON.parse(kept)) : undefined
    const scenes = read?.success
      ? read.data
      : scriptScenes(event.clipboardData.getData('text/plain'))
    if (scenes.length) sheet.insert(scenes)
  })
}
