import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { OwnMusic } from '@tidy-reel/core/film/music/own/own-music'
import { musicApi } from '../api/music.ts'

/** Music of one's own, as it is chosen from and as it comes. */
export const useOwnMusic = defineStore('own music', () => {
  const music = shallowRef<readonly OwnMusic[]>([])
  const fault = ref('')
  /** The name of the file that is listened to now. */
  const coming = ref('')
  async function load() {
    try {
      music.value = await musicApi.list()
    } catch (cause) {
      fault.value = (cause as Error).message
    }
  }
  /** @returns what came of it; undefined where it cannot be used, which is told */
  async function take(file: File): Promise<OwnMusic | undefined> {
    fault.value = ''
    coming.value = file.name
    try {
      return await musicApi.take(file)
    } catch (cause) {
      fault.value = (cause as Error).message
      return undefined
    } finally {
      coming.value = ''
      await load()
    }
  }
  async function change(id: string, said: Partial<OwnMusic>) {
    try {
      await musicApi.change(id, said)
    } catch (cause) {
      fault.value = (cause as Error).message
    }
    await load()
  }
  async function remove(id: string) {
    await musicApi.remove(id).catch((cause: Error) => (fault.value = cause.message))
    await load()
  }
  return { music, fault, coming, load, take, change, remove }
})
