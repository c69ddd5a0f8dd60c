import { computed, ref, shallowRef } from 'vue'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { type Document } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { filmSupers } from '@tidy-reel/core/film/supers/supers'
import type { ShapeName } from '@tidy-reel/core/render/shapes'
import { DRAWN_EXAMPLES } from '@tidy-reel/core/script/drawn'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { CUT } from '@tidy-reel/core/style/transition'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import type { EpisodeView } from '@tidy-reel/core/views/episode'
import { episodesApi } from '../api/episodes.ts'

/** Of the person's own film, so many scenes are shown. */
const SCENES = 3

/** One of every kind that can be drawn, each with a sentence of its own. */
const EVERY_KIND = `# One of every kind
It is 13.8 billion years old, and it looks it. ${DRAWN_EXAMPLES.number}

Most of it comes from coal, then from gas, and the least from wind. ${DRAWN_EXAMPLES.bars}

Seven parts in ten of it are covered with water. ${DRAWN_EXAMPLES.share}

The lens came in 1822 and the electric light in 1859. ${DRAWN_EXAMPLES.years}

It has three parts: the gate, the sluice and the chamber. ${DRAWN_EXAMPLES.list}

The water rises from 4 m to 12 m where it is narrow. ${DRAWN_EXAMPLES.change}

She said so every night before she climbed the stairs. ${DRAWN_EXAMPLES.quote}

Ann Reed kept the light for forty years. ${DRAWN_EXAMPLES.name}

What bends the light is called refraction. ${DRAWN_EXAMPLES.key}

It stands at the very top, behind the glass. ${DRAWN_EXAMPLES.point}

There is more to say about that next week. ${DRAWN_EXAMPLES.call}`

/** A film as it would look had nothing been set by hand. */
const dressed = (document: Document, style: HouseStyle): Document => ({
  ...document,
  style,
  lettering: style.lettering,
  sign: style.sign ?? null,
  transition: style.film.transition ?? CUT,
})

/** The scenes of the person's latest film in a style, while it changes. */
export function useStylePreview(style: () => HouseStyle | undefined) {
  const view = shallowRef<EpisodeView>()
  const shows = ref<'film' | 'kinds'>('film')
  const shape = ref<ShapeName>('wide')
  async function load() {
    const rows = await episodesApi.episodes()
    const [latest] = rows
      .filter(({ scenes, deletedAt }) => scenes > 0 && !deletedAt)
      .sort((a, b) => b.updatedAt.localeCompare(a.updatedAt))
    view.value = latest && (await episodesApi.episode(latest.id))
  }
  const own = computed((): Document | undefined => {
    const document = view.value?.document
    if (!document) return undefined
    const scenes = document.scenes.map((scene, i) =>
      i < SCENES ? scene : { ...scene, hidden: true as const },
    )
    return { ...document, scenes }
  })
  /** The film's own pictures under them, one after another. */
  const kinds = computed((): Document => {
    const made = documentFrom('Every kind', EVERY_KIND)
    const items = (view.value?.document.scenes ?? []).flatMap(({ shots }) => shots[0]?.item ?? [])
    const scenes = made.scenes.map((scene, i) => {
      const item = items[i % Math.max(1, items.length)]
      return item ? { ...scene, shots: [{ item, by: 'match' as const }] } : scene
    })
    return { ...made, scenes }
  })
  const plan = computed(() => {
    const now = style()
    const document = shows.value === 'film' && own.value ? own.value : kinds.value
    return filmOf(now ? dressed(document, now) : document, view.value?.rate ?? 1)
  })
  const film = computed(() => {
    const takes = view.value?.takes ?? {}
    return timeline(
      plan.value,
      plan.value.scenes.map(({ id }) => (shows.value === 'film' ? takes[id] : undefined)),
      [30, 1],
    )
  })
  /** What is written and drawn in it, to go to. */
  const marked = computed(() => filmSupers(film.value, plan.value))
  const proxies = computed(() => new Set(view.value?.proxies))
  return { view, shows, shape, load, plan, film, marked, proxies }
}
