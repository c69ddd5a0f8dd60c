<script setup lang="ts">
import { ElButton } from 'element-plus'
import { computed } from 'vue'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import { draftScript, scriptSeconds } from '@tidy-reel/core/writing/draft-script'
import BriefForm from './BriefForm.vue'
import DraftText from './DraftText.vue'
import OutlineForm from './OutlineForm.vue'
import { useWriting } from './use-writing.ts'
import WriterChoice from './WriterChoice.vue'

const props = defineProps<{ episodeId: string; empty: boolean; speed: number }>()
const emit = defineEmits<{
  take: [imported: ImportedScriptView, way: 'replace' | 'append']
  close: []
}>()
const { brief, outline, draft, problem, busy, loaded, keepSoon, make, stop } = useWriting(
  props.episodeId,
)
const script = computed(() =>
  draft.value && outline.value ? draftScript(draft.value.sentences, outline.value) : '',
)
const seconds = computed(() => scriptSeconds(script.value, props.speed))
const take = (way: 'replace' | 'append') =>
  emit('take', { title: brief.value.topic, script: script.value, left: [], pictures: [] }, way)
</script>

<template>
  <section v-if="loaded" class="writing" aria-label="Write from sources">
    <div class="column">
      <h2 class="serif">1. What it is to be</h2>
      <BriefForm
        :brief="brief"
        @change="
          (next) => {
            brief = next
            void keepSoon()
          }
        "
      />
      <WriterChoice
        reads="Written by"
        built-in="the built-in writer, which only takes sentences from your sources"
      />
      <div class="act">
        <ElButton
          type="primary"
          :loading="busy === 'outline'"
          :disabled="!!busy || !brief.sources.length"
          @click="make('outline')"
          >{{ outline ? 'Make the outline anew' : 'Make an outline' }}</ElButton
        >
        <button v-if="busy" class="plain link" @click="stop">Stop</button>
        <button class="plain link close" @click="emit('close')">Back to the script</button>
      </div>
      <p v-if="problem" class="red" role="alert">{{ problem }}</p>
    </div>
    <div class="column">
      <h2 class="serif">2. Outline</h2>
      <p v-if="!outline" class="soft">
        Chapters with their minutes, to be changed by hand before anything is written.
      </p>
      <template v-else>
        <OutlineForm
          :outline="outline"
          :minutes="brief.minutes"
          @change="
            (next) => {
              outline = next
              void keepSoon()
            }
          "
        />
        <div class="act">
          <ElButton
            type="primary"
            :loading="busy === 'draft'"
            :disabled="!!busy"
            @click="make('draft')"
            >{{ draft ? 'Write it anew' : 'Write the draft' }}</ElButton
          >
        </div>
      </template>
      <template v-if="draft && outline">
        <h2 class="serif">3. Draft</h2>
        <div v-if="draft.sentences.length" class="act">
          <ElButton type="primary" @click="take('replace')">{{
            empty ? 'Take it' : 'Put in place of the script'
          }}</ElButton>
          <ElButton v-if="!empty" @click="take('append')">Add at the end</ElButton>
        </div>
        <DraftText :draft="draft" :outline="outline" :brief="brief" :seconds="seconds" />
      </template>
    </div>
  </section>
  <p v-else class="soft loading">{{ problem || 'Loading …' }}</p>
</template>

<style scoped>
.writing {
  display: grid;
  grid-template-columns: 1fr 1fr;
  min-height: 0;
}
.column {
  overflow: auto;
  padding: 24px 24px 40px;
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-width: 0;
}
.column + .column {
  border-left: 1px solid var(--hair);
}
h2 {
  font-size: 22px;
  line-height: 1.1;
}
.act {
  display: flex;
  gap: 12px;
  align-items: center;
}
.el-button + .el-button {
  margin: 0;
}
.close {
  margin-left: auto;
}
.loading {
  padding: 30px;
}
</style>
