<script setup lang="ts">
import { computed, ref } from 'vue'
import { type Layout, type LayoutKind } from '@tidy-reel/core/pictures/inlay'
import type { Item } from '@tidy-reel/core/pictures/item'
import PictureChooser from '../pictures/PictureChooser.vue'
import ChoiceField from '../styles/ChoiceField.vue'

/** How a shot's picture shares the film's with a second one. */
const props = defineProps<{ layout: Layout | undefined; offers: readonly Item[] }>()
const emit = defineEmits<{ change: [layout: Layout | null] }>()
const KINDS: readonly (readonly [LayoutKind | 'one', string])[] = [
  ['one', 'the whole picture'],
  ['beside', 'beside a second'],
  ['over', 'above a second'],
  ['corner-left', 'a second in its left corner'],
  ['corner-right', 'a second in its right corner'],
  ['print', 'a framed print'],
]
/** Chosen, while its second picture is not. */
const wanted = ref<Exclude<LayoutKind, 'print'>>()
const kind = computed(() => wanted.value ?? props.layout?.kind ?? 'one')
const second = computed(() =>
  props.layout && props.layout.kind !== 'print' ? props.layout.second : undefined,
)
function choose(chosen: LayoutKind | 'one') {
  wanted.value = undefined
  if (chosen === 'one') emit('change', null)
  else if (chosen === 'print') emit('change', { kind: chosen })
  else if (second.value) emit('change', { kind: chosen, second: second.value })
  else wanted.value = chosen
}
function take(item: Item) {
  const now = wanted.value ?? props.layout?.kind
  wanted.value = undefined
  if (now && now !== 'print') emit('change', { kind: now, second: item })
}
</script>

<template>
  <span class="layout">
    <ChoiceField label="Layout" :value="kind" :choices="KINDS" @change="choose" />
    <template v-if="kind !== 'one' && kind !== 'print'">
      <span class="soft">{{ second ? second.title : 'Choose the second picture:' }}</span>
      <PictureChooser
        class="wide"
        label="The second picture"
        clips
        :offers="offers"
        :chosen="second?.id ?? ''"
        @choose="take"
      />
    </template>
  </span>
</template>

<style scoped>
.layout {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  min-width: 0;
}
.layout .el-select {
  width: 210px;
}
.wide {
  width: 100%;
}
</style>
