import { computed, ref, watch } from 'vue'
import type { RefusalReason } from '@tidy-reel/core/document/document'
import { heldScenes } from '@tidy-reel/core/document/film-scenes'
import { certain } from '@tidy-reel/core/faults/certain'
import type { OfferedPicture } from '@tidy-reel/core/match/pick'
import { concerns, saidBy } from '@tidy-reel/core/match/refusals'
import { type Sureness, SURENESSES } from '@tidy-reel/core/match/sureness'
import type { Item } from '@tidy-reel/core/pictures/item'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { libraryApi } from '../api/library.ts'
import type { Episode } from '../episode/episode-store.ts'

/** One picture of the film to decide about. */
export interface PickStop {
  sceneId: string
  shot: number
}

/** Pictures shown at once. */
export const AT_ONCE = 4
const FOUND_LIMIT = 48

type Shown = OfferedPicture & { found?: boolean }

/**
 * One pass through the pictures of a film that nobody has chosen yet, weakest first. The order is
 * fixed when the pass begins, so that nothing moves under the hand.
 */
export function usePickRun(episode: Episode) {
  const places = ref<PickStop[]>(orderOf(episode))
  const at = ref(0)
  const page = ref(0)
  /** Which of those shown the next key is about. */
  const focus = ref(0)
  const found = ref<Item[]>()
  const problem = ref('')
  const decided = ref(0)
  const began = Date.now()
  const now = ref(began)

  const place = computed(() => places.value[at.value])
  const scenes = computed(() => episode.document.scenes)
  const number = computed(() => scenes.value.findIndex(({ id }) => id === place.value?.sceneId))
  const scene = computed(() => scenes.value[number.value])
  const before = computed(() => scenes.value[number.value - 1])
  const after = computed(() => scenes.value[number.value + 1])
  const offered = computed(() => episode.candidatesOf(place.value?.sceneId))
  const current = computed(() => scene.value?.shots[place.value?.shot ?? 0]?.item)
  const refused = computed(() => {
    const said = saidBy(scene.value?.text ?? '', offered.value.words)
    return new Set(
      episode.document.matching.refusals.flatMap((refusal) =>
        concerns(refusal, said) ? [refusal.item.id] : [],
      ),
    )
  })
  /** Pictures that stand in the scenes just before and after: they are not offered again. */
  const near = computed(
    () =>
      new Set(
        [before.value, after.value].flatMap(
          (each) => each?.shots.flatMap(({ item }) => item?.id ?? []) ?? [],
        ),
      ),
  )
  const all = computed((): Shown[] => {
    if (found.value)
      return found.value.map((item) => ({
        item,
        score: 0,
        why: item.author,
        sure: 'look',
        shows: [],
        found: true,
      }))
    const picks = offered.value.picks.filter(
      ({ item }) => !refused.value.has(item.id) && !near.value.has(item.id),
    )
    // What stands there now comes first.
    return [
      ...picks.filter(({ item }) => item.id === current.value?.id),
      ...picks.filter(({ item }) => item.id !== current.value?.id),
    ]
  })
  const pages = computed(() => Math.max(1, Math.ceil(all.value.length / AT_ONCE)))
  const shown = computed(() => all.value.slice(page.value * AT_ONCE, (page.value + 1) * AT_ONCE))
  const left = computed(() => places.value.length - at.value)
  /** Seconds the rest will take at the pace so far; undefined before there is one. */
  const secondsLeft = computed(() =>
    decided.value >= 3 ? ((now.value - began) / 1000 / decided.value) * left.value : undefined,
  )

  watch(place, () => {
    page.value = focus.value = 0
    found.value = undefined
    problem.value = ''
  })

  function go(by: number) {
    at.value = Math.min(places.value.length, Math.max(0, at.value + by))
  }
  function choose(n: number) {
    const pick = shown.value[n]
    if (!pick || !place.value) return
    episode.run({
      type: 'setShot',
      sceneId: place.value.sceneId,
      shot: place.value.shot,
      item: pick.item,
    })
    decided.value++
    now.value = Date.now()
    go(1)
  }
  function more(by = 1) {
    page.value = (page.value + by + pages.value) % pages.value
    focus.value = 0
  }
  function refuse(reason: RefusalReason) {
    const pick = shown.value[focus.value]
    if (!pick) return
    episode.run({
      type: 'refusePicture',
      item: pick.item,
      refusal: {
        reason,
        sentence: cutText(certain(scene.value).text, 2000),
        words: pick.shows.slice(0, 20),
      },
    })
    if (page.value >= pages.value) page.value = pages.value - 1
    focus.value = Math.min(focus.value, Math.max(0, shown.value.length - 1))
  }
  async function search(words: string) {
    problem.value = ''
    page.value = focus.value = 0
    if (!words.trim()) return (found.value = undefined)
    try {
      const { items, remarks } = await libraryApi.findPictures(words)
      found.value = items.slice(0, FOUND_LIMIT)
      problem.value = remarks.join(' ')
      if (!items.length) problem.value ||= `Nothing for “${words}”. Try a plainer word.`
    } catch (cause) {
      found.value = undefined
      problem.value = (cause as Error).message
    }
  }
  function begin() {
    places.value = orderOf(episode)
    at.value = 0
  }
  return {
    places,
    at,
    left,
    secondsLeft,
    place,
    number,
    scene,
    before,
    after,
    offered,
    current,
    shown,
    page,
    pages,
    focus,
    found,
    problem,
    go,
    choose,
    more,
    refuse,
    search,
    begin,
  }
}

/** Pictures that matching chose, weakest first, then in the order of the film. */
function orderOf({ document, data, plan }: Episode): PickStop[] {
  const goingOn = heldScenes(plan)
  const places = document.scenes.flatMap(({ id, shots, hidden }) =>
    hidden
      ? []
      : shots.flatMap(({ by, item }, shot) =>
          by === 'match' && !(shot === 0 && goingOn.has(id))
            ? [{ sceneId: id, shot, sure: surenessOf(item?.id, data.candidates[id]?.picks) }]
            : [],
        ),
  )
  return places
    .map(({ sceneId, shot, sure }, i) => ({ sceneId, shot, sure, i }))
    .sort((a, b) => SURENESSES.indexOf(b.sure) - SURENESSES.indexOf(a.sure) || a.i - b.i)
    .map(({ sceneId, shot }) => ({ sceneId, shot }))
}

const surenessOf = (id: string | undefined, picks: readonly OfferedPicture[] = []): Sureness =>
  picks.find(({ item }) => item.id === id)?.sure ?? 'weak'
