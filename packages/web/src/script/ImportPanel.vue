<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { ref } from 'vue'
import { estimateSeconds } from '@tidy-reel/core/script/estimate'
import { clockText } from '@tidy-reel/core/time/time'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import { scriptApi } from '../api/script.ts'

defineProps<{ empty: boolean }>()
const emit = defineEmits<{
  take: [imported: ImportedScriptView, way: 'replace' | 'append']
  close: []
}>()
const KINDS = '.txt,.md,.markdown,.docx,.odt,.html,.htm,.pdf,.pptx,.odp,.csv,.tsv,.srt,.vtt'
const address = ref('')
const problem = ref('')
const busy = ref('')
const found = ref<ImportedScriptView>()

async function read(what: string, from: () => Promise<ImportedScriptView>) {
  problem.value = ''
  found.value = undefined
  busy.value = what
  try {
    found.value = await from()
  } catch (cause) {
    problem.value = (cause as Error).message
  } finally {
    busy.value = ''
  }
}
const readFile = (file: File | null | undefined) =>
  file && read(file.name, () => scriptApi.importFile(file))
const words = (script: string) => script.split(/\s+/).filter(Boolean).length
defineExpose({ readFile })
</script>

<template>
  <section
    class="import"
    aria-label="Import"
    @dragover.prevent
    @drop.prevent="(event: DragEvent) => readFile(event.dataTransfer?.files[0])"
  >
    <template v-if="found">
      <h2 class="serif">{{ found.title }}</h2>
      <p>
        {{ words(found.script) }} words, about
        {{ clockText(estimateSeconds(found.script)) }} min<template v-if="found.pictures.length"
          >, {{ found.pictures.length }}
          {{ found.pictures.length === 1 ? 'picture' : 'pictures' }}</template
        >.
      </p>
      <ul v-if="found.left.length" class="soft">
        <li v-for="remark in found.left" :key="remark">{{ remark }}</li>
      </ul>
      <pre class="serif"
        >{{ found.script.slice(0, 1200) }}{{ found.script.length > 1200 ? ' …' : '' }}</pre>
    </template>
    <template v-else>
      <h2 class="serif">Import</h2>
      <label class="file">
        <input
          type="file"
          :accept="KINDS"
          aria-label="A file to import"
          @change="(event) => readFile((event.target as HTMLInputElement).files?.[0])"
        />
        <span><b>Choose a file</b>, or drop it here</span>
        <span class="soft"
          >Text, Markdown, Word (docx), OpenDocument (odt, odp), slides (pptx), PDF, a saved page
          (html), a two-column table (csv), subtitles (srt, vtt)</span
        >
      </label>
      <form @submit.prevent="read(address, () => scriptApi.importLink(address))">
        <label for="import-link" class="soft">or a public page</label>
        <div class="row">
          <ElInput id="import-link" v-model="address" placeholder="https://" /><ElButton
            native-type="submit"
            :disabled="!address.trim() || !!busy"
            >Fetch its text</ElButton
          >
        </div>
      </form>
      <p v-if="busy" class="soft" role="status">Reading {{ busy }} …</p>
      <p v-if="problem" class="red" role="alert">{{ problem }}</p>
    </template>
    <div class="row foot">
      <template v-if="found">
        <ElButton type="primary" @click="emit('take', found, 'replace')">{{
          empty ? 'Take it' : 'Put in place of the script'
        }}</ElButton>
        <ElButton v-if="!empty" @click="emit('take', found, 'append')">Add at the end</ElButton>
        <button class="plain link" @click="found = undefined">Another one</button>
      </template>
      <button class="plain link close" @click="emit('close')">Not now</button>
    </div>
  </section>
</template>

<style scoped>
.import {
  padding: 34px 40px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 18px;
  max-width: 720px;
}
h2 {
  font-size: 26px;
  line-height: 1.15;
}
.file {
  display: grid;
  gap: 4px;
  border: 1px dashed var(--soft);
  padding: 26px;
  cursor: pointer;
}
.file:hover,
.file:focus-within {
  border-color: var(--blue);
  background: var(--wash);
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
form {
  display: grid;
  gap: 4px;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
.close {
  margin-left: auto;
}
.el-button + .el-button {
  margin: 0;
}
ul {
  margin: 0;
  padding-left: 18px;
}
pre {
  margin: 0;
  white-space: pre-wrap;
  font-size: 16.5px;
  line-height: 1.45;
  border-left: 2px solid var(--hair);
  padding-left: 14px;
  max-height: 300px;
  overflow: auto;
}
</style>
