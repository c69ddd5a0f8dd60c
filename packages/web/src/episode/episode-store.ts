import { useDebounceFn, useThrottleFn } from '@vueuse/core'
import { isEqual } from 'lodash-es'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { apply } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import { commandName } from '@tidy-reel/core/document/command-name'
import type { Document } from '@tidy-reel/core/document/document'
import type { Preparing } from '@tidy-reel/core/views/episode'
import { ApiError } from '../api/ask.ts'
import { episodesApi } from '../api/episodes.ts'
import { followEpisode } from './episode-events.ts'
import { outbox, type SaveState, type SetAside, type Verdict } from './outbox.ts'
import { NOTHING_OPEN, type OpenEpisode, useShownFilm } from './shown-film.ts'
import { ownTabStore } from './tab-store.ts'
import { usePicturesComing } from './use-pictures-coming.ts'

/** Changes after which something is to be spoken, matched or made ready for the monitor. */
const SHOWN_OR_HEARD = new Set<Command['type']>([
  'editNarration',
  'splitScene',
  'mergeScene',
  'insertScenes',
  'setShot',
  'addShot',
  'layShots',
  'swapShots',
  'setVoice',
  'setSpeaking',
  'useTakes',
  'setMood',
  'setScore',
  'setSound',
  'setMusic',
  'setAccents',
  'adjustScenes',
  'takeDepictions',
  'pinSense',
  'refusePicture',
  'setPicking',
  'followStyle',
  'backToStyle',
  'restore',
])

const needsPreparing = (command: Command) =>
  SHOWN_OR_HEARD.has(command.type) || (command.type === 'adjustShots' && !!command.set.heard)

/** After a load that did not come. */
const LOAD_AGAIN_MS = 2000

/** Answers that say nothing of the edit itself: too much at once, or not now. */
const NOT_NOW = new Set([408, 425, 429])

/** Ours is a 500 for what nobody foresaw; every other one above it says that something is away. */
function verdictOn(cause: unknown): Verdict {
  if (!(cause instanceof ApiError) || NOT_NOW.has(cause.status)) return 'passes'
  if (cause.status === 500) return 'odd'
  return cause.status < 500 ? 'final' : 'passes'
}

/**
 * The open episode: its document, what is derived from it, and the edits on their way to the
 * server. Edits show at once and wait in the outbox until the server has taken them.
 */
export const useEpisode = defineStore('episode', () => {
  const data = shallowRef<OpenEpisode>(NOTHING_OPEN)
  const document = shallowRef<Document>(NOTHING_OPEN.document)
  /** Whether an episode is there to be shown; until then it is an empty one. */
  const isOpen = computed(() => data.value !== NOTHING_OPEN)
  const fault = ref('')
  /** Edits the server would not take, until a person lets go of their words. */
  const aside = shallowRef<readonly SetAside[]>([])
  const saving = ref<SaveState>('saved')
  const preparing = ref<Preparing>()
  /** Share of a recording of the whole that has been listened to. */
  const listening = ref<{ id: string; share: number }>()
  /** Id of the row of the sheet that has the cursor. */
  const selected = ref('')
  let current = ''
  let stopFollowing = () => {}
  const box = outbox(
    episodesApi.command,
    ownTabStore(),
    {
      state: (id, state) => {
        if (id !== current) return
        saving.value = state
        // Those of a tab that is gone may have come to it.
        aside.value = box.aside(id)
      },
      taken(id, { revision, document: saved }, left) {
        if (id !== current || !isOpen.value) return
        data.value = { ...data.value, revision, document: saved }
        // Nearly always the server comes to what is shown already: then nothing is drawn anew.
        if (!left && !isEqual(saved, document.value)) document.value = saved
      },
      setAside(id, edit, left) {
        if (id !== current) return
        aside.value = [...aside.value, edit]
        // The edit shows here and nowhere else: what the server has is shown instead.
        if (!left) void load(id)
      },
    },
    verdictOn,
  )

  const shown = useShownFilm(data, document)
  const coming = usePicturesComing(shown.film, shown.proxies)
  const renders = computed(() => data.value.renders)

  async function open(id: string) {
    close()
    current = id
    fault.value = ''
    aside.value = box.aside(id)
    await box.send(id)
    await load(id)
    if (!isOpen.value || current !== id) return
    stopFollowing = followEpisode(id, {
      document({ revision }) {
        if (revision > data.value.revision && !box.waiting(id)) void load(id)
      },
      reload: () => void load(id),
      prepare(told) {
        preparing.value = told
        if (told.step !== 'match') void loadSoon(id)
        coming.expectMore()
      },
      proxy({ id: ready }) {
        data.value = { ...data.value, proxies: [...data.value.proxies, ready] }
        coming.expectMore()
      },
      recording: (told) => (listening.value = told),
      copies({ id: film, copies }) {
        data.value = {
          ...data.value,
          renders: data.value.renders.map((render) =>
            render.id === film ? { ...render, copies } : render,
          ),
        }
      },
      render(told) {
        const known = data.value.renders.find((render) => render.id === told.id)
        if (!known || known.state !== told.state) return void load(id)
        data.value = {
          ...data.value,
          renders: data.value.renders.map((render) =>
            render.id === told.id ? { ...render, progress: told.progress } : render,
          ),
        }
      },
    })
  }

  async function load(id: string) {
    try {
      const view = await episodesApi.episode(id)
      if (current !== id) return
      const candidates =
        view.candidatesAt === data.value.candidatesAt
          ? data.value.candidates
          : await episodesApi.candidates(id)
      if (current !== id) return
      const loaded = { ...view, candidates }
      // An edit may have been taken while this answer was under way: the newer document stays.
      const newer = isOpen.value && data.value.revision > loaded.revision ? data.value : loaded
      // What can be undone is known here first, too, until the edits under way have arrived.
      const { history } = isOpen.value && box.waiting(id) ? data.value : newer
      data.value = { ...loaded, revision: newer.revision, document: newer.document, history }
      if (!box.waiting(id)) document.value = newer.document
    } catch (cause) {
      if (!isOpen.value) fault.value = (cause as Error).message
      // What is shown is older than what there is until it has come.
      else if (current === id) setTimeout(() => current === id && void load(id), LOAD_AGAIN_MS)
    }
  }

  function close() {
    stopFollowing()
    current = ''
    data.value = NOTHING_OPEN
    document.value = NOTHING_OPEN.document
    preparing.value = listening.value = undefined
    aside.value = []
    selected.value = ''
    saving.value = 'saved'
  }

  /**
   * Carries a command out here and sends it; throws what the core throws when it cannot be done.
   */
  function run(command: Command) {
    if (!isOpen.value) return
    document.value = apply(document.value, command).document
    data.value = { ...data.value, history: { undo: commandName(command), redo: null } }
    box.add(current, data.value.revision, command)
    if (needsPreparing(command)) void prepareSoon()
  }

  /**
   * Has pictures chosen, sentences spoken and the monitor's copies made, whatever of it is not
   * there yet.
   */
  async function prepare(shown = true) {
    if (!isOpen.value) return
    if (shown) preparing.value = { step: 'match', done: 0, all: 1, remarks: [] }
    await settled()
    await episodesApi
      .prepare(data.value.id, selected.value)
      .catch((cause: Error) => (fault.value = cause.message))
  }

  /**
   * A film of 500 scenes is much to fetch: not more often than this while sentence after sentence
   * is spoken.
   */
  const loadSoon = useThrottleFn(
    (id: string) => (id === current ? load(id) : undefined),
    1500,
    true,
  )
  const prepareSoon = useDebounceFn(
    () => (document.value.scenes.some(({ shots }) => shots.length) ? prepare() : undefined),
    700,
  )

  /** The episode while it is the open one; undefined once another has been opened. */
  const shownOf = (id: string) => (id === current && isOpen.value ? data.value : undefined)

  /** Takes the last change back, or brings it again, once every edit has been saved. */
  async function step(way: 'undo' | 'redo') {
    const id = current
    if (!data.value.history[way]) return
    await settled()
    try {
      const changed = await episodesApi[way](id)
      const shown = shownOf(id)
      if (!shown) return
      data.value = { ...shown, ...changed }
      document.value = changed.document
      void prepareSoon()
    } catch (cause) {
      fault.value = (cause as Error).message
    }
  }

  function letGo(key: string) {
    box.letGo(current, key)
    aside.value = aside.value.filter((edit) => edit.key !== key)
  }

  /** Waits until every edit has reached the server. */
  async function settled() {
    while (saving.value !== 'saved') await new Promise((resolve) => setTimeout(resolve, 60))
  }

  return {
    ...shown,
    listening,
    isOpen,
    aside,
    letGo,
    data,
    document,
    fault,
    saving,
    preparing,
    selected,
    picturesComing: coming.count,
    renders,
    open,
    close,
    load,
    run,
    step,
    prepare,
    settled,
  }
})

/** The open episode as composables take it. */
export type Episode = ReturnType<typeof useEpisode>
