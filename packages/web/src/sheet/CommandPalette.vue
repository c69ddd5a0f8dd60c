<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { keyName } from './commands/keys.ts'
import type { SheetCommand } from './commands/sheet-command.ts'

const props = defineProps<{ commands: readonly SheetCommand[] }>()
const emit = defineEmits<{ close: [] }>()
const asked = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()
const list = ref<HTMLElement>()
onMounted(() => field.value?.focus())

/** Commands that hold every typed word, those that begin with the first one before the others. */
const found = computed(() => {
  const words = asked.value.toLowerCase().split(/\s+/).filter(Boolean)
  const hits = props.commands.filter(({ name, group }) =>
    words.every((word) => `${name} ${group}`.toLowerCase().includes(word)),
  )
  return hits.sort(
    (a, b) =>
      Number(b.name.toLowerCase().startsWith(words[0] ?? '')) -
      Number(a.name.toLowerCase().startsWith(words[0] ?? '')),
  )
})
function step(by: number) {
  at.value = (at.value + by + found.value.length) % Math.max(1, found.value.length)
  void nextTick(() =>
    list.value?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' }),
  )
}
function take(command: SheetCommand | undefined) {
  emit('close')
  command?.run()
}
</script>

<template>
  <div class="veil" @click.self="emit('close')">
    <section role="dialog" aria-modal="true" aria-label="All commands">
      <input
        ref="field"
        v-model="asked"
        role="combobox"
        aria-expanded="true"
        aria-controls="commands"
        placeholder="Type what you want to do"
        aria-label="Type what you want to do"
        @input="at = 0"
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
        @keydown.enter.prevent="take(found[at])"
        @keydown.esc.stop="emit('close')"
        @keydown.tab.prevent="step($event.shiftKey ? -1 : 1)"
      />
      <ul id="commands" ref="list" role="listbox">
        <li
          v-for="(command, i) in found"
          :key="command.name"
          role="option"
          :aria-selected="i === at"
          @click="take(command)"
          @mousemove="at = i"
        >
          <span class="soft group">{{ command.group }}</span><span>{{ command.name }}</span
          ><span class="keys"
            ><kbd v-for="key in command.keys" :key="key">{{ keyName(key) }}</kbd></span
          >
        </li>
        <li v-if="!found.length" class="soft none">Nothing is called that. Try a plainer word.</li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.veil {
  position: fixed;
  inset: 0;
  background: color-mix(in srgb, var(--ink) 22%, transparent);
  z-index: 20;
  display: grid;
  justify-items: center;
  align-items: start;
  padding-top: 84px;
}
section {
  width: 620px;
  max-height: 560px;
  background: var(--paper);
  border: 1px solid var(--ink);
  display: flex;
  flex-direction: column;
}
input {
  border: 0;
  border-bottom: 1px solid var(--hair);
  background: none;
  color: var(--ink);
  font: 20px var(--serif);
  padding: 15px 20px;
  outline: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 6px 0;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 74px 1fr auto;
  gap: 10px;
  padding: 5px 20px;
  cursor: pointer;
  align-items: baseline;
}
li[aria-selected='true'] {
  background: var(--wash);
  box-shadow: inset 3px 0 0 var(--blue);
}
.group {
  font-size: 13px;
}
.keys {
  display: flex;
  gap: 6px;
}
.none {
  display: block;
  padding: 12px 20px;
}
kbd {
  font: 12px var(--mono);
  border: 1px solid var(--hair);
  padding: 1px 6px;
  background: var(--ground);
  white-space: nowrap;
}
</style>
