<script setup lang="ts">
import { PopoverContent, PopoverPortal, PopoverRoot, PopoverTrigger } from 'reka-ui'
import { ref } from 'vue'

/** A button and the panel it opens: told as open, focus inside, back on the button afterwards. */
defineProps<{ label: string; width: number; on: boolean }>()
const open = ref(false)

/** A list that is open in the panel closes first; a closed one would keep the key to itself. */
function escape(event: KeyboardEvent) {
  if ((event.target as HTMLElement).getAttribute('aria-expanded') === 'true') return
  event.stopPropagation()
  open.value = false
}
</script>

<template>
  <PopoverRoot v-model:open="open">
    <PopoverTrigger class="plain opener" :class="{ on }"><slot name="label" /></PopoverTrigger>
    <PopoverPortal>
      <PopoverContent
        class="popover"
        align="end"
        :side-offset="4"
        :style="{ width: `${width}px` }"
        :aria-label="label"
        @keydown.esc.capture="escape"
      >
        <slot />
      </PopoverContent>
    </PopoverPortal>
  </PopoverRoot>
</template>

<style scoped>
.opener {
  font-size: 14px;
  white-space: nowrap;
  border-bottom: 1px solid var(--hair);
}
.on {
  border-color: var(--blue);
}
</style>
