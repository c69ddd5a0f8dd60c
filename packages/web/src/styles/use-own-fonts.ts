import { ref, shallowRef } from 'vue'
import type { LetteringSettings } from '@tidy-reel/core/style/lettering'
import { type OwnFace } from '@tidy-reel/core/style/own-face'
import { stylesApi } from '../api/styles.ts'

const faces = shallowRef<readonly OwnFace[]>([])
const fault = ref('')
let asked: Promise<void> | undefined

/** Fonts of the channel's own, the same wherever a face is chosen. */
export function useOwnFonts() {
  function load(): Promise<void> {
    asked ??= stylesApi.fonts().then(
      (found) => void (faces.value = found),
      () => void (asked = undefined),
    )
    return asked
  }
  async function bring(file: File): Promise<OwnFace | undefined> {
    fault.value = ''
    try {
      const face = await stylesApi.takeFont(file)
      faces.value = [...faces.value.filter(({ id }) => id !== face.id), face]
      return face
    } catch (cause) {
      fault.value = (cause as Error).message
      return undefined
    }
  }
  /** Settings with the faces they name. */
  function withFaces(set: LetteringSettings): LetteringSettings {
    const named = JSON.stringify(set)
    const own = faces.value.filter(({ id }) => named.includes(id))
    return own.length ? { ...set, faces: own } : set
  }
  return { faces, fault, load, bring, withFaces }
}
