<script setup lang="ts">
import { ElInputNumber } from 'element-plus'
import { ref, shallowRef } from 'vue'
import { PLAIN_SIGN, type Sign } from '@tidy-reel/core/pictures/inlay'
import type { Item } from '@tidy-reel/core/pictures/item'
import { libraryApi } from '../api/library.ts'
import KeptSlider from '../controls/KeptSlider.vue'
import ItemThumb from '../pictures/ItemThumb.vue'
import PictureChooser from '../pictures/PictureChooser.vue'
import PlaceField from './PlaceField.vue'

/** The channel's mark on the picture. */
const props = defineProps<{ sign: Sign | null }>()
const emit = defineEmits<{ change: [sign: Sign | null] }>()
const choosing = ref(false)
const own = shallowRef<Item[]>([])
async function begin() {
  choosing.value = true
  const found = await libraryApi.library({ words: '', shelf: 'own' }).catch(() => [])
  own.value = found.map(({ item }) => item)
}
function choose(item: Item) {
  choosing.value = false
  emit('change', { ...(props.sign ?? PLAIN_SIGN), item })
}
</script>

<template>
  <div class="fields">
    <template v-if="sign">
      <span>Picture</span>
      <span class="row"
        ><ItemThumb :id="sign.item.id" :alt="sign.item.title" />
        <button class="plain link" @click="begin">Another</button>
        <button class="plain link" @click="emit('change', null)">Take away</button></span
      >
      <span>Place</span>
      <PlaceField
        label="Place of the sign"
        :place="sign.at"
        @change="(at) => emit('change', { ...sign!, at })"
      />
      <span>Size</span>
      <span class="row"
        ><ElInputNumber
          :model-value="Math.round(sign.size * 1080)"
          :min="33"
          :max="540"
          :step="10"
          size="small"
          controls-position="right"
          aria-label="Size of the sign in pixels of a picture 1,080 high"
          @change="(size) => size && emit('change', { ...sign!, size: size / 1080 })"
        />
        of 1,080</span
      >
      <span>Strength</span>
      <KeptSlider
        :value="Math.round(sign.strength * 100)"
        :min="10"
        :max="100"
        :step="5"
        size="small"
        aria-label="Strength of the sign, in per cent"
        :format-tooltip="(value: number) => `${value} %`"
        @keep="(value) => emit('change', { ...sign!, strength: value / 100 })"
      />
    </template>
    <p v-else-if="!choosing" class="wide soft">
      No sign. <button class="plain link" @click="begin">Choose its picture</button>
    </p>
    <PictureChooser
      v-if="choosing"
      class="wide"
      label="The channel’s sign"
      :offers="own"
      @choose="choose"
    />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr);
  gap: 8px 12px;
  align-items: center;
}
.row {
  display: flex;
  gap: 12px;
  align-items: center;
}
img {
  width: 72px;
  height: 40px;
  object-fit: contain;
  background: var(--deep);
}
.wide {
  grid-column: 1 / 3;
  margin: 0;
}
.el-input-number {
  width: 96px;
}
</style>
