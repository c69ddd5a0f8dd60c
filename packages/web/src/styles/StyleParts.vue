<script setup lang="ts">
import { ref } from 'vue'
import { PLAIN_FILE_NAME } from '@tidy-reel/core/export/saved-name'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import {
  type LetteringSettings,
  type SuperLookName,
  withSettings,
} from '@tidy-reel/core/style/lettering'
import KeptInput from '../controls/KeptInput.vue'
import { PALETTE_FIELDS } from './choices.ts'
import ColourField from './ColourField.vue'
import FaceField from './FaceField.vue'
import FilmFields from './FilmFields.vue'
import LookFields from './LookFields.vue'
import SignFields from './SignFields.vue'
import SubtitleFields from './SubtitleFields.vue'
import { useOwnFonts } from './use-own-fonts.ts'

/** The parts of a style, of which one is open. */
const props = defineProps<{ style: HouseStyle }>()
const emit = defineEmits<{ change: [set: Partial<HouseStyle>]; open: [part: string] }>()
const LOOKS: readonly [SuperLookName, string][] = [
  ['heading', 'Chapter headings'],
  ['words', 'Words on the picture'],
  ['figures', 'Figures, lists, years'],
  ['quote', 'Quotations'],
  ['name', 'Names'],
  ['key', 'Key words'],
  ['call', 'Calls'],
]
const fonts = useOwnFonts()
const open = ref('colours')
const letter = (set: LetteringSettings) =>
  emit('change', { lettering: withSettings(props.style.lettering, fonts.withFaces(set)) })
function toggle(name: string) {
  open.value = open.value === name ? '' : name
  if (open.value) emit('open', name)
}
</script>

<template>
  <div class="parts">
    <section>
      <h3>
        <button class="plain" :aria-expanded="open === 'colours'" @click="toggle('colours')">
          Colours
          <span class="swatches" aria-hidden="true"
            ><i
              v-for="[name] in PALETTE_FIELDS"
              :key="name"
              :style="{ background: style.lettering.palette[name] }"
          /></span>
        </button>
      </h3>
      <div v-if="open === 'colours'" class="fields">
        <template v-for="[name, said] in PALETTE_FIELDS" :key="name">
          <span>{{ said }}</span>
          <ColourField
            :label="said"
            :colour="style.lettering.palette[name]"
            @change="(colour) => letter({ palette: { [name]: colour } })"
          />
        </template>
      </div>
    </section>
    <section>
      <h3>
        <button class="plain" :aria-expanded="open === 'subtitles'" @click="toggle('subtitles')">
          Subtitles
        </button>
      </h3>
      <SubtitleFields
        v-if="open === 'subtitles'"
        :subtitle="style.lettering.subtitle"
        @change="(subtitle) => letter({ subtitle })"
      />
    </section>
    <section v-for="[name, said] in LOOKS" :key="name">
      <h3>
        <button class="plain" :aria-expanded="open === name" @click="toggle(name)">
          {{ said }}
        </button>
      </h3>
      <LookFields
        v-if="open === name"
        :look="style.lettering.supers[name]"
        @change="(set) => letter({ supers: { [name]: set } })"
      />
    </section>
    <section>
      <h3>
        <button class="plain" :aria-expanded="open === 'cards'" @click="toggle('cards')">
          Cards
        </button>
      </h3>
      <div v-if="open === 'cards'" class="fields">
        <span>Face</span>
        <FaceField
          label="Face of cards"
          :face="style.lettering.card.face"
          @change="(face) => letter({ card: { face } })"
        />
        <span>Opening</span>
        <KeptInput
          small
          :value="style.cards.opening"
          :maxlength="300"
          label="Words of the opening card"
          placeholder="no words"
          @keep="(opening) => emit('change', { cards: { ...style.cards, opening } })"
        />
        <span>Closing</span>
        <KeptInput
          small
          :value="style.cards.closing"
          :maxlength="300"
          label="Words of the closing card"
          placeholder="no words"
          @keep="(closing) => emit('change', { cards: { ...style.cards, closing } })"
        />
        <p class="soft wide">
          {{ '{title}, {channel} and {next} stand for the film’s own.' }}
        </p>
      </div>
    </section>
    <section>
      <h3>
        <button class="plain" :aria-expanded="open === 'sign'" @click="toggle('sign')">Sign</button>
      </h3>
      <SignFields
        v-if="open === 'sign'"
        :sign="style.sign ?? null"
        @change="(sign) => emit('change', { sign: sign ?? undefined })"
      />
    </section>
    <section>
      <h3>
        <button class="plain" :aria-expanded="open === 'film'" @click="toggle('film')">
          Music, cuts, rhythm
        </button>
      </h3>
      <FilmFields
        v-if="open === 'film'"
        :film="style.film"
        @change="(set) => emit('change', { film: { ...style.film, ...set } })"
      />
    </section>
    <section>
      <h3>
        <button class="plain" :aria-expanded="open === 'files'" @click="toggle('files')">
          Files
        </button>
      </h3>
      <div v-if="open === 'files'" class="fields">
        <span>Are called</span>
        <KeptInput
          small
          :value="style.files ?? PLAIN_FILE_NAME"
          :maxlength="120"
          label="What files are called"
          :placeholder="PLAIN_FILE_NAME"
          @keep="(files) => emit('change', { files: files.trim() || undefined })"
        />
        <p class="soft wide">
          {{ '{title}, {channel}, {date} and {size} stand for the film’s own.' }}
        </p>
      </div>
    </section>
  </div>
</template>

<style scoped>
h3 {
  margin: 0;
  font-size: 15px;
  font-weight: 600;
  border-top: 1px solid var(--hair);
}
h3 button {
  width: 100%;
  display: flex;
  justify-content: space-between;
  padding: 7px 0;
  text-align: left;
  font-weight: inherit;
}
h3 button:hover {
  color: var(--blue);
}
.swatches {
  display: flex;
  border: 1px solid var(--hair);
}
.swatches i {
  width: 18px;
  height: 14px;
}
.parts :deep(.fields) {
  display: grid;
  grid-template-columns: 116px minmax(0, 1fr);
  gap: 8px 10px;
  align-items: center;
  padding: 2px 0 12px;
}
.parts :deep(.el-input-number) {
  width: 96px;
}
.parts :deep(.el-slider) {
  padding-right: 10px;
}
.wide {
  grid-column: 1 / 3;
  margin: 0;
}
</style>
