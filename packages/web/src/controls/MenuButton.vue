<script setup lang="ts">
import {
  DropdownMenuContent,
  DropdownMenuItem,
  DropdownMenuRoot,
  DropdownMenuTrigger,
} from 'reka-ui'

defineOptions({ inheritAttrs: false })
/** A button and the menu it opens; the menu tells which of its things was chosen. */
defineProps<{
  /** Name shown in the menu for each thing that can be chosen. */
  choices: readonly (readonly [key: string, label: string])[]
  /** What is said where there is nothing to choose. */
  empty?: string
}>()
const emit = defineEmits<{ open: []; choose: [key: string] }>()
</script>

<template>
  <DropdownMenuRoot :modal="false" @update:open="(open) => open && emit('open')">
    <DropdownMenuTrigger class="plain opener" v-bind="$attrs"><slot /></DropdownMenuTrigger>
    <DropdownMenuContent class="popover menu" align="end" :side-offset="4" loop>
      <DropdownMenuItem v-if="empty && !choices.length" class="soft none" disabled>
        {{ empty }}
      </DropdownMenuItem>
      <DropdownMenuItem
        v-for="[key, label] in choices"
        :key="key"
        class="item"
        @select="emit('choose', key)"
      >
        {{ label }}
      </DropdownMenuItem>
    </DropdownMenuContent>
  </DropdownMenuRoot>
</template>

<style scoped>
.opener {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
</style>
<style>
.menu {
  padding: 4px 0;
  max-height: 60vh;
  overflow-y: auto;
}
.menu .none {
  max-width: 220px;
  margin: 0;
  padding: 6px 12px;
}
.menu .item {
  padding: 6px 12px;
  cursor: pointer;
}
.menu .item[data-highlighted] {
  background: var(--wash);
  outline: 1px solid var(--blue);
  outline-offset: -1px;
}
</style>
