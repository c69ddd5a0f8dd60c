import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { apply } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import { parseScript } from '@tidy-reel/core/script/parse'
import { filmCues } from '@tidy-reel/core/subtitles/film-cues'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { api, ApiError, type EpisodeData, type RenderProgress, type Render } from '../api.ts'

const RETRY_MS = 1500
export interface Preparing {
  step: 'match' | 'speak' | 'done'
  done: number
  all: number
  remarks: string[]
}

/**
 * The open episode: its document, what is derived from it, and the edits on their way to the server.
 * Edits show at once; when the server cannot be reached they wait and are sent again.
 */
export const useEpisode = defineStore('episode', () => {
  const data = shallowRef<EpisodeData>()
  const document = shallowRef<Document>()
  const fault = ref('')
  const saving = ref<'saved' | 'saving' | 'offline'>('saved')
  const preparing = ref<Preparing>()
  const selected = ref(0)
  const waiting: Command[] = []
  let source: EventSource | undefined
  let sending = false
  let unreachable: ReturnType<typeof setTimeout> | undefined

  const parsed = computed(() => parseScript(document.value?.script ?? ''))
  const film = computed(() => {
    const takes = document.value?.scenes.map((scene) => data.value?.takes[scene.id]) ?? []
    return timeline(document.value ?? { scenes: [], speed: 1 }, parsed.value, takes, [30, 1])
  })
  const cues = computed(() => filmCues(film.value, 1920, 1080))
  const renders = computed(() => data.value?.renders ?? [])

  async function open(id: string) {
    close()
    fault.value = ''
    await load(id)
    if (!data.value) return
    source = new EventSource(`/api/episodes/${id}/events`)
    source.addEventListener('document', () => void load(id))
    source.addEventListener('prepare', (event) => {
      preparing.value = JSON.parse((event as MessageEvent<string>).data) as Preparing
      if (preparing.value.step !== 'match') void load(id)
    })
    source.addEventListener('render', (event) => {
      const news = JSON.parse((event as MessageEvent<string>).data) as { id: string; state: Render['state']; progress: RenderProgress | null }
      const known = data.value?.renders.find((render) => render.id === news.id)
      if (!known || known.state !== news.state) return void load(id)
      data.value = { ...data.value!, renders: data.value!.renders.map((render) => (render.id === news.id ? { ...render, progress: news.progress } : render)) }
    })
  }

  async function load(id: string) {
    try {
      const loaded = await api.episode(id)
      data.value = loaded
      if (!waiting.length && !sending) document.value = loaded.document
    } catch (cause) {
      if (!data.value) fault.value = (cause as Error).message
    }
  }

  function close() {
    source?.close()
    clearTimeout(unreachable)
    data.value = undefined
    document.value = undefined
    preparing.value = undefined
    selected.value = 0
    waiting.length = 0
    saving.value = 'saved'
  }

  /** Carries a command out here and sends it; throws what the core throws when it cannot be done. */
  function run(command: Command) {
    if (!document.value) return
    document.value = apply(document.value, command).document
    const last = waiting.at(-1)
    if (waiting.length > (sending ? 1 : 0) && last?.type === 'setScript' && command.type === 'setScript') waiting[waiting.length - 1] = command
    else waiting.push(command)
    void send()
  }

  async function send() {
    if (sending || !data.value) return
    sending = true
    const { id } = data.value
    try {
      while (waiting.length) {
        saving.value = 'saving'
        const answer = await api.command(id, data.value.revision, waiting[0]!)
        waiting.shift()
        data.value = { ...data.value, revision: answer.revision, document: answer.document }
        if (!waiting.length) document.value = answer.document
      }
      saving.value = 'saved'
    } catch (cause) {
      if (cause instanceof ApiError && cause.status < 500) {
        waiting.length = 0
        fault.value = cause.message
        saving.value = 'saved'
        sending = false
        await load(id)
      } else {
        saving.value = 'offline'
        unreachable = setTimeout(() => void send(), RETRY_MS)
      }
    } finally {
      sending = false
    }
  }

  async function prepare() {
    if (!data.value) return
    preparing.value = { step: 'match', done: 0, all: 1, remarks: [] }
    await settled()
    await api.prepare(data.value.id).catch((cause: Error) => (fault.value = cause.message))
  }

  /** Waits until every edit has reached the server. */
  async function settled() {
    while (saving.value !== 'saved') await new Promise((resolve) => setTimeout(resolve, 60))
  }

  return { data, document, fault, saving, preparing, selected, parsed, film, cues, renders, open, close, load, run, prepare, settled }
})
