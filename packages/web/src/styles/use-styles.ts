import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { ApiError } from '../api/ask.ts'
import { stylesApi } from '../api/styles.ts'

/** A change is sent when nothing has been changed for so long. */
const SAVE_MS = 500

export const isOwn = ({ id }: Pick<HouseStyle, 'id'>) => id.startsWith('own-')

/**
 * House styles of the channel and the chosen one. What ships stays as it is: a change makes a copy
 * of one's own, and goes on there.
 */
export function useStyles() {
  const shipped = shallowRef<readonly HouseStyle[]>([])
  const own = shallowRef<readonly HouseStyle[]>([])
  const chosenId = ref('calm')
  const fault = ref('')
  const removed = shallowRef<HouseStyle>()
  const saving = ref(false)
  const all = computed(() => [...shipped.value, ...own.value])
  const chosen = computed(() => all.value.find(({ id }) => id === chosenId.value) ?? all.value[0])

  async function attempt<T>(act: () => Promise<T>): Promise<T | undefined> {
    fault.value = ''
    try {
      return await act()
    } catch (cause) {
      fault.value = (cause as Error).message
      if (cause instanceof ApiError && cause.status === 409) await load()
      return undefined
    }
  }
  async function load() {
    const found = await stylesApi.styles()
    shipped.value = found.shipped
    own.value = found.own
  }
  const put = (style: HouseStyle) => {
    own.value = own.value.map((one) => (one.id === style.id ? style : one))
  }
  async function add(style: HouseStyle): Promise<HouseStyle | undefined> {
    const made = await attempt(() => stylesApi.add(style))
    if (!made) return undefined
    own.value = [...own.value, made]
    chosenId.value = made.id
    return made
  }

  /** Waits for an answer: two changes on their way at once would not know of each other. */
  let sending: Promise<unknown> = Promise.resolve()
  const save = useDebounceFn((id: string) => {
    sending = sending.then(async () => {
      const style = own.value.find((one) => one.id === id)
      if (!style) return
      const saved = await attempt(() => stylesApi.change(style))
      const now = own.value.find((one) => one.id === id)
      if (saved && now) put({ ...now, version: saved.version })
      saving.value = false
    })
    return sending
  }, SAVE_MS)

  async function change(set: Partial<Omit<HouseStyle, 'id' | 'version'>>) {
    const style = chosen.value
    if (!style) return
    if (!isOwn(style)) return void (await add({ ...style, name: `${style.name}, ours`, ...set }))
    put({ ...style, ...set })
    saving.value = true
    await save(style.id)
  }
  async function remove(style: HouseStyle) {
    const done = await attempt(() => stylesApi.remove(style.id).then(() => true))
    if (!done) return
    own.value = own.value.filter(({ id }) => id !== style.id)
    removed.value = style
    chosenId.value = own.value.at(-1)?.id ?? 'calm'
  }
  async function bringBack() {
    const style = removed.value
    if (!style) return
    const back = await attempt(() => stylesApi.restore(style))
    if (!back) return
    own.value = [...own.value, back]
    chosenId.value = back.id
    removed.value = undefined
  }
  return {
    shipped,
    own,
    chosen,
    chosenId,
    fault,
    removed,
    saving,
    load: () => attempt(load),
    add,
    change,
    remove,
    bringBack,
  }
}
