<script setup lang="ts">
import { ref } from 'vue'
import { SOFT } from '@tidy-reel/core/pictures/look'
import type { PictureView } from '@tidy-reel/core/views/library'
import MovingThumb from '../pictures/MovingThumb.vue'

/** One picture of the library, with what is known of it. */
defineProps<{ picture: PictureView; selected: boolean }>()
const emit = defineEmits<{ press: [event: MouseEvent] }>()
const over = ref(false)
</script>

<template>
  <div
    class="picture"
    role="option"
    :aria-selected="selected"
    @click="emit('press', $event)"
    @mouseenter="over = true"
    @mouseleave="over = false"
  >
    <MovingThumb class="frame" :item="picture.item" :moving="over" />
    <span v-if="picture.item.seconds" class="seconds mono"
      >{{ picture.item.seconds.toFixed(1) }} s</span
    >
    <span class="name"
      ><span v-if="picture.favourite" aria-label="favourite">★ </span>{{ picture.item.title }}</span
    >
    <span class="soft tags"
      >{{ picture.item.tags.join(', ') || 'no words yet'
      }}<template v-if="(picture.sharpness ?? SOFT) < SOFT"> · may be soft</template></span
    >
  </div>
</template>

<style scoped>
.picture {
  display: grid;
  cursor: pointer;
  width: 100%;
  position: relative;
}
.frame {
  width: 100%;
  aspect-ratio: 16 / 9;
}
[aria-selected='true'] .frame::after {
  content: '';
  position: absolute;
  inset: 0;
  box-shadow: inset 0 0 0 3px var(--blue);
}
.seconds {
  position: absolute;
  right: 0;
  top: 0;
  background: var(--paper);
  padding: 0 5px;
  font-size: 11.5px;
  line-height: 18px;
}
.name {
  font-size: 14px;
  line-height: 1.25;
  margin-top: 4px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.tags {
  font-size: 12.5px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
