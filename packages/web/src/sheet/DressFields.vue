<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import type { Scene } from '@tidy-reel/core/document/document'
import type { DressSettings, SubtitlePlace } from '@tidy-reel/core/document/dress'
import { STYLE_PARTS } from '@tidy-reel/core/document/style-parts'
import {
  type LetteringSettings,
  type SuperLookName,
  type SuperLookSettings,
  withSettings,
} from '@tidy-reel/core/style/lettering'
import { defined } from '@tidy-reel/core/text/defined'
import { useEpisode } from '../episode/episode-store.ts'
import ChoiceField from '../styles/ChoiceField.vue'
import LookFields from '../styles/LookFields.vue'
import SubtitlePlaceFields from '../styles/SubtitlePlaceFields.vue'
import { useOwnFonts } from '../styles/use-own-fonts.ts'
import { useStyleWriting } from '../styles/use-style-writing.ts'
import { FOR_LOOKS, type ForLooks } from './for-which.ts'
import ForWhich from './ForWhich.vue'

/** How what is written on a scene looks: there, in its chapter, the film, or the house style. */
const props = defineProps<{ scene: Scene; looks: readonly SuperLookName[] }>()
const emit = defineEmits<{ run: [command: Command] }>()
const episode = useEpisode()
const fonts = useOwnFonts()
const run = (command: Command) => emit('run', command)
const style = useStyleWriting(run)

type Part = 'subtitle' | SuperLookName
const parts = computed(() => [
  ...props.looks.map((name) => [name, STYLE_PARTS[name].label] as const),
  ['subtitle', 'place of subtitles'] as const,
])
const chosen = ref<Part>()
const part = computed(() =>
  parts.value.some(([name]) => name === chosen.value)
    ? (chosen.value as Part)
    : (props.looks[0] ?? 'subtitle'),
)
const which = ref<ForLooks>('these')
const lettering = computed(() => episode.document.lettering)
const own = computed(() =>
  part.value === 'subtitle' ? props.scene.dress?.subtitle : props.scene.dress?.supers?.[part.value],
)
const look = computed(() =>
  part.value === 'subtitle'
    ? undefined
    : {
        ...lettering.value.supers[part.value],
        ...defined(props.scene.dress?.supers?.[part.value] ?? {}),
      },
)
const subtitle = computed(() => ({
  ...lettering.value.subtitle,
  ...defined(props.scene.dress?.subtitle ?? {}),
}))

const dressed = (name: Part, set: SuperLookSettings | SubtitlePlace | null): DressSettings =>
  name === 'subtitle' ? { subtitle: set } : { supers: { [name]: set } }
const lettered = (name: Part, set: SuperLookSettings | SubtitlePlace): LetteringSettings =>
  fonts.withFaces(name === 'subtitle' ? { subtitle: set } : { supers: { [name]: set } })

function put(set: SuperLookSettings | SubtitlePlace) {
  const name = part.value
  const letters = lettered(name, set)
  if (which.value === 'these' || which.value === 'chapter') {
    if (letters.faces) run({ type: 'setLettering', set: { faces: letters.faces } })
    const target = which.value === 'these' ? [props.scene.id] : { chapterOf: props.scene.id }
    run({ type: 'adjustScenes', target, set: { dress: dressed(name, set) } })
    return
  }
  // In the whole film means in every scene: none keeps its own.
  if (episode.document.scenes.some(({ dress }) => dress))
    run({ type: 'adjustScenes', target: 'all', set: { dress: dressed(name, null) } })
  run({ type: 'setLettering', set: letters })
  if (which.value === 'style')
    void style.write((now) => ({ ...now, lettering: withSettings(now.lettering, letters) }))
}
const back = () =>
  run({
    type: 'adjustScenes',
    target: [props.scene.id],
    set: { dress: dressed(part.value, null) },
  })
</script>

<template>
  <div class="dress">
    <ForWhich :choices="FOR_LOOKS" @change="which = $event" />
    <div class="row">
      <span>Look of</span>
      <ChoiceField label="Look of" :value="part" :choices="parts" @change="chosen = $event" />
    </div>
    <LookFields v-if="look" class="looks" :look="look" @change="put" />
    <div v-else class="looks">
      <SubtitlePlaceFields :subtitle="subtitle" @change="put" />
    </div>
    <p v-if="own" class="note">
      <span class="soft">Set for this scene alone.</span>
      <button class="plain link" @click="back">As in the film</button>
    </p>
    <p v-if="style.told.value" class="note soft" role="status">{{ style.told.value }}</p>
  </div>
</template>

<style scoped>
.dress {
  display: grid;
  gap: 8px;
}
.row,
.looks {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr);
  gap: 8px 12px;
  align-items: center;
}
.looks :deep(.el-input-number) {
  width: 96px;
}
.note {
  margin: 0;
  display: flex;
  gap: 4px 12px;
}
</style>
