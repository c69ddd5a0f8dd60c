<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { itemAt, lastOf } from '@tidy-reel/core/faults/certain'
import PictureCell from './PictureCell.vue'
import { type LibraryPages, pictureAt } from './use-library.ts'

const props = defineProps<{
  count: number
  pages: LibraryPages
  selected: ReadonlySet<string>
  at: number
}>()
const emit = defineEmits<{
  need: [from: number, to: number]
  press: [at: number, event: MouseEvent]
  columns: [count: number]
}>()

/** Pixels: the least a picture is wide, what lies between two, what its name needs. */
const SIZES = { least: 168, gap: 14, name: 40, edge: 20 }
const box = ref<HTMLElement>()
const { width } = useElementSize(box)
const columns = computed(() =>
  Math.max(1, Math.floor((width.value + SIZES.gap) / (SIZES.least + SIZES.gap))),
)
const wide = computed(() => (width.value + SIZES.gap) / columns.value - SIZES.gap)
const high = computed(() => (wide.value * 9) / 16 + SIZES.name)
const rows = useVirtualizer(
  computed(() => ({
    count: Math.ceil(props.count / columns.value),
    getScrollElement: () => box.value ?? null,
    estimateSize: () => high.value + SIZES.gap,
    overscan: 3,
  })),
)
watch(
  [() => rows.value.getVirtualItems().map(({ index }) => index), columns, () => props.count],
  ([seen]) => {
    if (seen.length)
      emit('need', itemAt(seen, 0) * columns.value, (lastOf(seen) + 1) * columns.value - 1)
  },
)
watch(high, () => rows.value.measure())
watch(columns, (count) => emit('columns', count), { immediate: true })
watch(
  () => props.at,
  (at) => at >= 0 && rows.value.scrollToIndex(Math.floor(at / columns.value), { align: 'auto' }),
)
const placesOf = (row: number) =>
  Array.from({ length: Math.min(columns.value, props.count - row * columns.value) }, (_, i) => ({
    place: row * columns.value + i,
    picture: pictureAt(props.pages, row * columns.value + i),
  }))
</script>

<template>
  <div
    ref="box"
    class="grid"
    role="listbox"
    tabindex="0"
    aria-multiselectable="true"
    :aria-activedescendant="at >= 0 ? `picture-${at}` : undefined"
    data-room-keys
    aria-label="Pictures of the library"
  >
    <div :style="{ height: `${rows.getTotalSize()}px` }">
      <template v-for="{ index, start } in rows.getVirtualItems()" :key="index">
        <div
          v-for="{ place, picture } in placesOf(index)"
          :key="place"
          class="cell"
          :style="{
            width: `${wide}px`,
            transform: `translate(${(place % columns) * (wide + SIZES.gap)}px, ${start}px)`,
          }"
        >
          <PictureCell
            v-if="picture"
            :id="`picture-${place}`"
            :picture="picture"
            :selected="selected.has(picture.item.id)"
            :aria-setsize="count"
            :aria-posinset="place + 1"
            @press="emit('press', place, $event)"
          />
          <span v-else class="empty" />
        </div>
      </template>
    </div>
  </div>
</template>

<style scoped>
.grid {
  overflow: auto;
  min-height: 0;
  position: relative;
  contain: strict;
}
.cell {
  position: absolute;
  top: 0;
  left: 0;
}
.empty {
  display: block;
  aspect-ratio: 16 / 9;
  background: var(--deep);
}
</style>
