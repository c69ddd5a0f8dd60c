<script setup lang="ts">
import { ElButton } from 'element-plus'
import type { VoiceView } from '@tidy-reel/core/views/speech'
import PlayButton from './PlayButton.vue'

defineProps<{
  voices: readonly VoiceView[]
  chosen: string
  saying: string
  heard: string
  number: number
}>()
defineEmits<{ say: [voice: VoiceView]; choose: [id: string]; away: [id: string] }>()
</script>

<template>
  <section class="strip" aria-label="Voices side by side">
    <p class="soft">
      Scene {{ number }} in
      {{ voices.length === 1 ? 'one voice; add others from the list' : `${voices.length} voices` }},
      all as loud as each other
    </p>
    <div class="cards">
      <article v-for="voice in voices" :key="voice.id">
        <PlayButton
          :label="`Hear ${voice.name}`"
          :name="`compare ${voice.id}`"
          :saying
          :heard
          @play="$emit('say', voice)"
        />
        <div>
          <b class="serif">{{ voice.name }}</b> <span class="soft">{{ voice.character }}</span>
        </div>
        <ElButton size="small" :disabled="voice.id === chosen" @click="$emit('choose', voice.id)">{{
          voice.id === chosen ? 'in use' : 'Use'
        }}</ElButton>
        <button
          class="plain soft"
          :aria-label="`Put ${voice.name} away`"
          @click="$emit('away', voice.id)"
        >
          ×
        </button>
      </article>
    </div>
  </section>
</template>

<style scoped>
.strip {
  padding: 10px 18px 12px;
  border-bottom: 1px solid var(--hair);
  background: var(--paper);
  display: grid;
  gap: 8px;
}
.cards {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px;
}
article {
  display: flex;
  align-items: center;
  gap: 8px;
  border: 1px solid var(--hair);
  padding: 7px 8px;
}
article div {
  flex: 1;
  min-width: 0;
  line-height: 1.2;
}
article .soft {
  font-size: 13px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  display: block;
}
article button.soft {
  font-size: 17px;
}
</style>
