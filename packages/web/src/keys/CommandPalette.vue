<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import type { KeyCommand } from './key-command.ts'
import { keyName } from './key-names.ts'

const props = defineProps<{ commands: readonly KeyCommand[] }>()
const emit = defineEmits<{ close: [] }>()
const asked = ref('')
const at = ref(0)
const list = ref<HTMLElement>()
const dialog = ref<HTMLDialogElement>()
// What is typed next is typed here: the browser moves the focus at once, and back when it closes.
onMounted(() => dialog.value?.showModal())

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
function take(command: KeyCommand | undefined) {
  dialog.value?.close()
  command?.run()
}
</script>

<template>
  <dialog
    ref="dialog"
    aria-label="All commands"
    @close="emit('close')"
    @click.self="dialog?.close()"
  >
    <input
      v-model="asked"
      autofocus
      role="combobox"
      aria-expanded="true"
      aria-autocomplete="list"
      aria-controls="commands"
      :aria-activedescendant="found[at] ? `command-${at}` : undefined"
      placeholder="Type what you want to do"
      aria-label="Type what you want to do"
      @input="at = 0"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="take(found[at])"
    />
    <ul id="commands" ref="list" role="listbox" aria-label="Commands">
      <li
        v-for="(command, i) in found"
        :id="`command-${i}`"
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
    </ul>
    <p v-if="!found.length" class="soft none" role="status">
      Nothing is called that. Try a plainer word.
    </p>
  </dialog>
</template>

<style scoped>
dialog {
  width: min(620px, calc(100vw - 32px));
  margin: 84px auto auto;
  padding: 0;
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--ink);
}
dialog::backdrop {
  background: color-mix(in srgb, var(--ink) 22%, transparent);
}
input {
  width: 100%;
  box-sizing: border-box;
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
  max-height: 440px;
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
