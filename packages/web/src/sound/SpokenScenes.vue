<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import PlayButton from './PlayButton.vue'
import type { SpokenScene } from './spoken-scenes.ts'

const props = defineProps<{
  scenes: readonly SpokenScene[]
  selected: string
  saying: string
  heard: string
}>()
defineEmits<{ select: [id: string]; say: [scene: SpokenScene] }>()
const list = ref<HTMLElement>()
watch(
  () => props.selected,
  async (id) => {
    await nextTick()
    list.value?.querySelector(`[data-id="${id}"]`)?.scrollIntoView({ block: 'nearest' })
  },
)
</script>

<template>
  <ol ref="list" aria-label="Scenes as they are spoken">
    <li
      v-for="scene in scenes"
      :key="scene.id"
      :data-id="scene.id"
      :class="{ on: scene.id === selected }"
      :aria-current="scene.id === selected"
      @click="$emit('select', scene.id)"
    >
      <span class="mono number">{{ scene.number }}</span>
      <PlayButton
        :label="`Hear scene ${scene.number}`"
        :name="`scene ${scene.id}`"
        :saying
        :heard
        @play="$emit('say', scene)"
      />
      <div class="text">
        <p v-if="scene.speaker" class="speaker mono">{{ scene.speaker }}</p>
        <button class="plain serif written" @click="$emit('select', scene.id)">
          {{ scene.text }}
        </button>
        <p v-if="scene.spoken !== scene.text" class="said soft">
          <span class="hidden">Spoken: </span>{{ scene.spoken }}
        </p>
      </div>
      <div class="facts soft">
        <span :class="{ own: scene.ownVoice }">{{ scene.voiceName }}</span>
        <span class="mono">{{
          scene.seconds === undefined ? 'not yet' : `${scene.seconds.toFixed(1)} s`
        }}</span>
        <span v-for="note in scene.notes" :key="note" class="note">{{ note }}</span>
      </div>
    </li>
  </ol>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
  min-height: 0;
}
li {
  display: grid;
  grid-template-columns: 30px 28px minmax(0, 1fr) 92px;
  gap: 12px;
  padding: 9px 18px;
  border-bottom: 1px solid var(--hair);
  cursor: pointer;
  content-visibility: auto;
  contain-intrinsic-size: auto 64px;
}
li.on {
  background: var(--select);
}
.number {
  text-align: right;
  padding-top: 5px;
}
.written {
  font-size: 16.5px;
  line-height: 1.35;
  display: block;
}
.said {
  font-size: 14px;
  line-height: 1.35;
  margin-top: 2px;
}
.speaker {
  color: var(--blue);
}
.facts {
  display: grid;
  align-content: start;
  font-size: 13px;
  text-align: right;
  line-height: 1.35;
}
.own {
  color: var(--blue);
}
.note {
  color: var(--blue);
}
</style>
