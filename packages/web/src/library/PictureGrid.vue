<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { SOFT } from '@tidy-reel/core/match/look'
import type { PictureView } from '@tidy-reel/core/views/library'
import MovingThumb from '../pictures/MovingThumb.vue'

const props = defineProps<{ count: number; pictures: ReadonlyMap<number, PictureView>; selected: ReadonlySet<string>; at: number }>()
const emit = defineEmits<{ need: [from: number, to: number]; press: [at: number, event: MouseEvent]; columns: [count: number] }>()

/** Pixels: the least a picture is wide, what lies between two, what its name needs. */
const SIZES = { least: 168, gap: 14, name: 40, edge: 20 }
const box = ref<HTMLElement>()
const { width } = useElementSize(box)
const columns = computed(() => Math.max(1, Math.floor((width.value + SIZES.gap) / (SIZES.least + SIZES.gap))))
const wide = computed(() => (width.value + SIZES.gap) / columns.value - SIZES.gap)
const high = computed(() => (wide.value * 9) / 16 + SIZES.name)
const over = ref('')
const rows = useVirtualizer(computed(() => ({ count: Math.ceil(props.count / columns.value), getScrollElement: () => box.value ?? null, estimateSize: () => high.value + SIZES.gap, overscan: 3 })))
watch([() => rows.value.getVirtualItems().map(({ index }) => index), columns, () => props.count], ([seen]) => {
  if (seen.length) emit('need', seen[0]! * columns.value, (seen.at(-1)! + 1) * columns.value - 1)
})
watch(high, () => rows.value.measure())
watch(columns, (count) => emit('columns', count), { immediate: true })
watch(() => props.at, (at) => at >= 0 && rows.value.scrollToIndex(Math.floor(at / columns.value), { align: 'auto' }))
const placesOf = (row: number) => Array.from({ length: Math.min(columns.value, props.count - row * columns.value) }, (_, i) => row * columns.value + i)
</script>

<template>
  <div ref="box" class="grid" role="listbox" aria-multiselectable="true" aria-label="Pictures of the library">
    <div :style="{ height: `${rows.getTotalSize()}px` }">
      <template v-for="{ index, start } in rows.getVirtualItems()" :key="index">
        <div v-for="place in placesOf(index)" :key="place" class="cell" :style="{ width: `${wide}px`, transform: `translate(${(place % columns) * (wide + SIZES.gap)}px, ${start}px)` }">
          <button v-if="pictures.get(place)" class="plain" role="option" tabindex="-1" :aria-selected="selected.has(pictures.get(place)!.item.id)" :class="{ at: place === at }" @click="emit('press', place, $event)" @mouseenter="over = pictures.get(place)!.item.id" @mouseleave="over = ''">
            <MovingThumb class="frame" :item="pictures.get(place)!.item" :moving="over === pictures.get(place)!.item.id" />
            <span v-if="pictures.get(place)!.item.seconds" class="seconds mono">{{ pictures.get(place)!.item.seconds!.toFixed(1) }} s</span>
            <span class="name"><span v-if="pictures.get(place)!.favourite" aria-label="favourite">★ </span>{{ pictures.get(place)!.item.title }}</span>
            <span class="soft tags">{{ pictures.get(place)!.item.tags.join(', ') || 'no words yet' }}<template v-if="(pictures.get(place)!.sharpness ?? SOFT) < SOFT"> · may be soft</template></span>
          </button>
          <span v-else class="frame empty" />
        </div>
      </template>
    </div>
  </div>
</template>

<style scoped>
.grid { overflow: auto; min-height: 0; position: relative; contain: strict; }
.cell { position: absolute; top: 0; left: 0; }
.cell button { display: grid; width: 100%; position: relative; }
.frame { width: 100%; aspect-ratio: 16 / 9; }
.empty { display: block; background: var(--deep); }
[aria-selected='true'] .frame::after { content: ''; position: absolute; inset: 0; box-shadow: inset 0 0 0 3px var(--blue); }
.seconds { position: absolute; right: 0; top: 0; background: var(--paper); padding: 0 5px; font-size: 11.5px; line-height: 18px; }
.name { font-size: 14px; line-height: 1.25; margin-top: 4px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.tags { font-size: 12.5px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
</style>
