import { computed, type ComputedRef, type Ref, ref, watch } from 'vue'
import { certain } from '@tidy-reel/core/faults/certain'
import { sampleAtFrame } from '@tidy-reel/core/time/time'
import type { Episode } from '../episode/episode-store.ts'
import type { Player } from '../monitor/use-player.ts'
import { type SheetRow, sheetRows } from './sheet-rows.ts'
import type { Flags } from './use-flags.ts'

export interface SelectOptions {
  /** Selects from where the cursor was. */
  extend?: boolean
  /** Of the row, which picture is chosen. */
  shot?: number
  /** Left out, the player follows while it stands still. */
  follow?: boolean
}

export interface Cursor {
  rows: ComputedRef<SheetRow[]>
  /** The row of the cursor; undefined on an empty sheet. */
  row: ComputedRef<SheetRow | undefined>
  /** The same, where it is a scene. */
  scene: ComputedRef<SheetRow | undefined>
  /** Index of the row of the cursor. */
  cursor: ComputedRef<number>
  /** First and last index of the selection. */
  range: ComputedRef<readonly [first: number, last: number]>
  /** Ids of the selected scenes, in the film's order. */
  selectedIds: ComputedRef<string[]>
  /** The chosen picture of the row. */
  shot: Ref<number>
  indexOf(id: string): number
  /** Puts the cursor on a row; an index beyond the sheet means its end. */
  select(index: number, options?: SelectOptions): void
  selectId(id: string, shot?: number): void
  /** Puts the cursor on a row without moving the player, nothing else selected. */
  stand(id: string): void
  /** Where a picture of a scene begins, in samples; 0 for one that is not in the film. */
  startOf(id: string, shot: number): number
}

/**
 * Where one is on the sheet and what is selected.
 *
 * @param newAfter id of the row behind which a new scene is being written
 */
export function useCursor(
  episode: Episode,
  player: Player,
  flags: ComputedRef<Flags>,
  newAfter: Ref<string | undefined>,
): Cursor {
  /** Id of the other end of a selection. */
  const anchor = ref('')
  const shot = ref(0)
  const rows = computed(() =>
    sheetRows(certain(episode.document), episode.parsed, episode.film, flags.value, newAfter.value),
  )
  const indexOf = (id: string) => rows.value.findIndex((row) => row.id === id)
  const cursor = computed(() => Math.max(0, indexOf(episode.selected)))
  const row = computed(() => rows.value[cursor.value])
  const scene = computed(() => (row.value?.kind === 'scene' ? row.value : undefined))
  const range = computed(() => {
    const other = anchor.value ? indexOf(anchor.value) : -1
    const end = other < 0 ? cursor.value : other
    return [Math.min(cursor.value, end), Math.max(cursor.value, end)] as const
  })
  const selectedIds = computed(() =>
    rows.value
      .slice(range.value[0], range.value[1] + 1)
      .flatMap(({ id, kind }) => (kind === 'scene' ? [id] : [])),
  )

  // A row that has gone leaves the cursor where it was, not at the top.
  let lastCursor = 0
  watch(
    () => rows.value.length,
    (length) => {
      if (indexOf(episode.selected) >= 0) return
      episode.selected = rows.value[Math.min(lastCursor, length - 1)]?.id ?? ''
    },
  )
  watch(cursor, (at) => (lastCursor = at), { immediate: true })

  function select(index: number, options: SelectOptions = {}) {
    const to = rows.value[Math.max(0, Math.min(rows.value.length - 1, index))]
    if (!to) return
    anchor.value = options.extend ? anchor.value || episode.selected : ''
    episode.selected = to.id
    shot.value = Math.max(0, Math.min(options.shot ?? 0, to.shots.length - 1))
    const follows = options.follow !== false && !player.playing.value && to.scene
    if (follows) player.seek(startOf(to.id, shot.value))
  }
  function startOf(id: string, which: number): number {
    const found = episode.film.scenes.find((each) => each.id === id)
    const seen = found?.shots.find((each) => each.shot === which)
    if (!found || !seen) return found?.startSample ?? 0
    // A picture that comes by a transition is shown when it is all there.
    const whole = seen.startFrame + (seen.transition?.frames ?? 0)
    return Math.max(found.startSample, sampleAtFrame(whole, episode.film.fps))
  }
  function stand(id: string) {
    episode.selected = id
    anchor.value = ''
  }
  const selectId = (id: string, which = 0) => select(indexOf(id), { shot: which })
  return {
    rows,
    row,
    scene,
    cursor,
    range,
    selectedIds,
    shot,
    indexOf,
    select,
    selectId,
    stand,
    startOf,
  }
}
