<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { ref } from 'vue'
import { cutText } from '@tidy-reel/core/text/well-formed'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import type { Source } from '@tidy-reel/core/writing/brief'
import { scriptApi } from '../../api/script.ts'

const props = defineProps<{ sources: readonly Source[] }>()
const emit = defineEmits<{ change: [sources: Source[]] }>()
const pasted = ref('')
const address = ref('')
const problem = ref('')
const told = ref<string[]>([])
const busy = ref('')
const words = (text: string) => text.split(/\s+/).filter(Boolean).length

function add(title: string, text: string) {
  emit('change', [
    ...props.sources,
    { id: crypto.randomUUID().slice(0, 8), title: cutText(title, 300), text },
  ])
}
function addPasted() {
  const text = pasted.value.trim()
  if (!text) return
  add(
    text
      .split('\n')[0]!
      .replace(/^#+\s*/, '')
      .slice(0, 70),
    text,
  )
  pasted.value = ''
}
async function read(what: string, from: () => Promise<ImportedScriptView>) {
  problem.value = ''
  busy.value = what
  try {
    const { title, script, left } = await from()
    add(title, script)
    told.value = left
    address.value = ''
  } catch (cause) {
    problem.value = (cause as Error).message
  } finally {
    busy.value = ''
  }
}
const take = (files: FileList | null | undefined) =>
  [...(files ?? [])].forEach((file) => void read(file.name, () => scriptApi.importFile(file)))
</script>

<template>
  <div
    class="sources"
    @dragover.prevent
    @drop.prevent="(event: DragEvent) => take(event.dataTransfer?.files)"
  >
    <ul v-if="sources.length">
      <li v-for="source in sources" :key="source.id">
        <span class="serif">{{ source.title }}</span>
        <span class="soft">{{ words(source.text) }} words</span>
        <button
          class="plain link"
          :aria-label="`Take “${source.title}” out`"
          @click="
            emit(
              'change',
              sources.filter(({ id }) => id !== source.id),
            )
          "
        >
          Take out
        </button>
      </li>
    </ul>
    <p v-else class="soft">
      The writer uses nothing but what you give it: articles, notes, slides, a PDF.
    </p>
    <ElInput
      v-model="pasted"
      type="textarea"
      :autosize="{ minRows: 2, maxRows: 6 }"
      aria-label="Text of a source"
      placeholder="Paste a text …"
    />
    <div class="row">
      <ElButton v-if="pasted.trim()" @click="addPasted">Add the text</ElButton>
      <label class="file link"
        ><input
          type="file"
          multiple
          aria-label="Files as sources"
          @change="(event) => take((event.target as HTMLInputElement).files)"
        />Choose files</label
      >
      <form @submit.prevent="read(address, () => scriptApi.importLink(address))">
        <ElInput
          v-model="address"
          size="small"
          aria-label="Address of a page as a source"
          placeholder="https:// a public page"
        /><ElButton size="small" native-type="submit" :disabled="!address.trim() || !!busy"
          >Fetch</ElButton
        >
      </form>
    </div>
    <p v-if="busy" class="soft" role="status">Reading {{ busy }} …</p>
    <p v-if="problem" class="red" role="alert">{{ problem }}</p>
    <ul v-if="told.length" class="soft told">
      <li v-for="line in told" :key="line">{{ line }}</li>
    </ul>
  </div>
</template>

<style scoped>
.sources {
  display: grid;
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  gap: 10px;
  align-items: baseline;
  border-bottom: 1px solid var(--hair);
  padding: 4px 0;
}
li .serif {
  flex: 1;
  font-size: 16px;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.row,
form {
  display: flex;
  gap: 10px;
  align-items: center;
}
form {
  flex: 1;
}
.file {
  position: relative;
  cursor: pointer;
  white-space: nowrap;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.told li {
  border: 0;
  padding: 0;
  font-size: 13.5px;
}
</style>
