<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import { isEqual } from 'lodash-es'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import { DRAWN_LIMIT } from '@tidy-reel/core/document/command'
import { type Drawing } from '@tidy-reel/core/document/document'
import { ownParts, STYLE_PARTS, type StylePartName } from '@tidy-reel/core/document/style-parts'
import { mapOffers } from '@tidy-reel/core/film/maps/map-offers'
import { LOOK_OF } from '@tidy-reel/core/film/supers/look-of'
import type { Place } from '@tidy-reel/core/pictures/place'
import { DRAWN_EXAMPLES, type DrawnForm, readDrawn, WAVE_KINDS } from '@tidy-reel/core/script/drawn'
import { drawnOffers } from '@tidy-reel/core/script/drawn-offers'
import { splitPlace, withPlace } from '@tidy-reel/core/script/drawn-place'
import { isDrawn } from '@tidy-reel/core/script/parse'
import { DIALS } from '@tidy-reel/core/style/film-choices'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import type { SuperLookName } from '@tidy-reel/core/style/lettering'
import { SUBTITLE_PRESETS, type SubtitlePreset } from '@tidy-reel/core/style/subtitle-presets'
import { stylesApi } from '../api/styles.ts'
import KeptInput from '../controls/KeptInput.vue'
import { useEpisode } from '../episode/episode-store.ts'
import { KINDS } from '../pictures/drawn-kinds.ts'
import ChoiceField from '../styles/ChoiceField.vue'
import PlaceField from '../styles/PlaceField.vue'
import SignFields from '../styles/SignFields.vue'
import DressFields from './DressFields.vue'
import LaidOver from './LaidOver.vue'
import MapPlaces from './MapPlaces.vue'
import type { SheetRow } from './sheet-rows.ts'
import { useAtlas } from './use-atlas.ts'

/** What is written and drawn on a scene's picture, and how all of the film's words look. */
const props = defineProps<{ row: SheetRow }>()
const emit = defineEmits<{ run: [command: Command]; see: [word: number] }>()
const episode = useEpisode()

const { heading: _heading, ...FORMS } = KINDS
const FORM_NAMES = Object.entries(FORMS) as [DrawnForm, string][]
const example = (form: DrawnForm) => DRAWN_EXAMPLES[form].replace(/^\[\w+: |\]$/g, '')

interface Line {
  form: DrawnForm
  text: string
}
const lines = computed((): Line[] =>
  props.row.directions.filter(isDrawn).map(({ kind, text }) => ({ form: kind, text })),
)
const inDocument = computed(() => episode.document.scenes.find(({ id }) => id === props.row.id))
/** What a voice is drawn as, the first by itself: it has no words to wait for. */
const WAVES = WAVE_KINDS.map((kind) => [kind as string, kind] as const)
function begin(form: DrawnForm) {
  if (form === 'wave') add(form, WAVE_KINDS[0])
  else begun.value = form
}
/** What is written on it, by how it is dressed. */
const looks = computed((): SuperLookName[] => [
  ...new Set([
    ...(props.row.heading ? (['heading'] as const) : []),
    ...lines.value.map(({ form }) => LOOK_OF[form]),
  ]),
])
/** What matching offers for the scene. */
const offered = computed(() => episode.candidatesOf(props.row.id).picks.map(({ item }) => item))
/** One that has been begun and has no words yet. */
const begun = ref<DrawnForm>()
const atlas = useAtlas()
const maps = computed(() =>
  atlas.value ? mapOffers(atlas.value, props.row.text, episode.document.script) : [],
)
const offers = computed(() =>
  [...drawnOffers(props.row.text), ...maps.value].filter(
    (offer) => !lines.value.some(({ text }) => splitPlace(text).text === offer.text),
  ),
)
const drawing = computed(() => episode.document.drawing)
const isTurnedDown = (like: string) => drawing.value.refused.includes(like)

const clean = (text: string) => text.replace(/[[\]\n]/g, '').trim()
const write = (drawn: Line[]) =>
  emit('run', {
    type: 'adjustScenes',
    target: [props.row.id],
    set: { drawn: drawn.length ? drawn.slice(0, DRAWN_LIMIT) : null },
  })
function change(at: number, set: Partial<Line>) {
  const text = set.text === undefined ? undefined : clean(set.text)
  if (text === '') return write(lines.value.filter((_, i) => i !== at))
  write(
    lines.value.map((line, i) =>
      i === at ? { ...line, ...set, ...(text ? { text } : {}) } : line,
    ),
  )
}
const placeOf = ({ text }: Line) => splitPlace(text).place
function placeNamed(line: Line): Place | undefined {
  const place = placeOf(line)
  return typeof place === 'string' ? place : undefined
}
/** A place that was given in per cent. */
function spot(line: Line): string {
  const place = placeOf(line)
  if (typeof place !== 'object') return ''
  return `${Math.round(place.across * 100)} % across, ${Math.round(place.down * 100)} % down`
}
function add(form: DrawnForm, text: string) {
  begun.value = undefined
  if (clean(text)) write([...lines.value, { form, text: clean(text) }])
}
const turnDown = (like: string, down: boolean) =>
  emit('run', {
    type: 'setDrawing',
    set: {
      refused: down
        ? [...drawing.value.refused, like]
        : drawing.value.refused.filter((other) => other !== like),
    },
  })

const setDial = (dial: Drawing['dial']) => emit('run', { type: 'setDrawing', set: { dial } })

const styles = shallowRef<HouseStyle[]>([episode.document.style])
onMounted(async () => {
  const { shipped, own } = await stylesApi.styles().catch(() => ({ shipped: [], own: [] }))
  styles.value = [...shipped, ...own]
})
const followed = computed(() => episode.document.style)
/** The style it follows as it is now, where that is a later one. */
const newer = computed(() =>
  styles.value.find(
    ({ id, version }) => id === followed.value.id && version > followed.value.version,
  ),
)
const own = computed(() => ownParts(episode.document))
const label = (name: StylePartName) => STYLE_PARTS[name].label
function follow(id: string) {
  const style = styles.value.find((one) => one.id === id)
  if (style) emit('run', { type: 'followStyle', style })
}
const PRESETS = Object.entries(SUBTITLE_PRESETS)
const preset = computed(
  () =>
    PRESETS.find(([, { style }]) => isEqual(style, episode.document.lettering.subtitle))?.[0] ?? '',
)
const setSubtitles = (name: SubtitlePreset) =>
  emit('run', { type: 'setLettering', set: { subtitle: SUBTITLE_PRESETS[name].style } })
</script>

<template>
  <section class="panel" aria-label="Drawn on it">
    <h2 class="serif">Drawn on scene {{ row.number }}</h2>
    <p v-if="!lines.length && !begun && !offers.length" class="soft note">
      Nothing yet. Choose what to draw; the script may say it too, as [number: 20 miles].
    </p>
    <ul class="lines">
      <li v-for="(line, i) in lines" :key="i">
        <ElSelect
          :model-value="line.form"
          size="small"
          :aria-label="`Kind of ${line.text}`"
          @change="(form: DrawnForm) => change(i, { form })"
          ><ElOption v-for="[form, name] in FORM_NAMES" :key="form" :value="form" :label="name"
        /></ElSelect>
        <ChoiceField
          v-if="line.form === 'wave'"
          label="How the voice is drawn"
          :value="splitPlace(line.text).text.toLowerCase()"
          :choices="WAVES"
          @change="(kind) => change(i, { text: withPlace(kind, placeOf(line)) })"
        />
        <KeptInput
          v-else
          small
          :value="splitPlace(line.text).text"
          :maxlength="300"
          :label="`Words of the ${FORMS[line.form].toLowerCase()}`"
          :placeholder="example(line.form)"
          @keep="(text) => change(i, { text: clean(text) && withPlace(text, placeOf(line)) })"
        />
        <button
          class="plain link"
          :aria-label="`Take ${line.text} away`"
          @click="change(i, { text: '' })"
        >
          Take away
        </button>
        <span v-if="line.form !== 'point'" class="place">
          <PlaceField
            :place="placeNamed(line)"
            :label="`Place of ${splitPlace(line.text).text}`"
            @change="(place) => change(i, { text: withPlace(line.text, place) })"
          />
          <span v-if="spot(line)" class="soft">{{ spot(line) }}</span>
          <button
            v-if="placeOf(line)"
            class="plain link"
            @click="change(i, { text: withPlace(line.text, undefined) })"
          >
            Where its look has it
          </button>
        </span>
        <MapPlaces
          v-if="line.form === 'map'"
          class="note"
          :text="splitPlace(line.text).text"
          :about="episode.document.script"
          @mean="(text) => change(i, { text: withPlace(text, placeOf(line)) })"
        />
        <p v-if="!readDrawn(line.form, line.text)" class="red note">
          Nothing can be drawn from this; it is written like “{{ example(line.form) }}”.
        </p>
      </li>
      <li v-if="begun">
        <span class="kind">{{ FORMS[begun] }}</span>
        <KeptInput
          small
          autofocus
          value=""
          :maxlength="300"
          :label="`Words of the ${FORMS[begun].toLowerCase()}`"
          :placeholder="example(begun)"
          @keep="(text) => begun && add(begun, text)"
        />
        <button class="plain link" @click="begun = undefined">Leave it</button>
      </li>
    </ul>
    <p v-if="offers.length" class="offers">
      <span class="soft">This sentence says</span>
      <template v-for="offer in offers" :key="offer.text">
        <button
          v-if="!isTurnedDown(offer.like)"
          class="plain offer"
          :title="`Draw it: ${FORMS[offer.form].toLowerCase()}`"
          @click="add(offer.form, offer.text)"
        >
          {{ offer.text }} <span class="soft">{{ FORMS[offer.form].toLowerCase() }}</span>
        </button>
        <button
          class="plain link small"
          :aria-pressed="isTurnedDown(offer.like)"
          @click="turnDown(offer.like, !isTurnedDown(offer.like))"
        >
          {{ isTurnedDown(offer.like) ? `“${offer.text}” may be drawn after all` : 'never this' }}
        </button>
      </template>
    </p>
    <div class="kinds" role="group" aria-label="Draw something else">
      <button
        v-for="[form, name] in FORM_NAMES"
        :key="form"
        class="plain"
        :disabled="lines.length >= DRAWN_LIMIT"
        @click="begin(form)"
      >
        {{ name }}
      </button>
    </div>
    <LaidOver
      v-if="inDocument"
      :key="inDocument.id"
      :scene="inDocument"
      :offers="offered"
      @run="(command) => emit('run', command)"
      @see="(word) => emit('see', word)"
    />
    <details v-if="inDocument" class="folded">
      <summary>How it looks</summary>
      <DressFields :scene="inDocument" :looks="looks" @run="(command) => emit('run', command)" />
    </details>
    <h3 class="serif">The whole film</h3>
    <div class="fields">
      <label for="drawn-style">House style</label>
      <ElSelect id="drawn-style" :model-value="followed.id" size="small" @change="follow"
        ><ElOption v-for="style in styles" :key="style.id" :value="style.id" :label="style.name"
      /></ElSelect>
      <label for="drawn-subtitles">Subtitles</label>
      <ElSelect
        id="drawn-subtitles"
        :model-value="preset"
        size="small"
        @change="(name: SubtitlePreset) => setSubtitles(name)"
        ><ElOption value="" label="as set in the house style" disabled /><ElOption
          v-for="[name, { name: said }] in PRESETS"
          :key="name"
          :value="name"
          :label="said"
      /></ElSelect>
      <label for="drawn-dial">Drawn by itself</label>
      <ElSelect id="drawn-dial" :model-value="drawing.dial" size="small" @change="setDial"
        ><ElOption v-for="dial in DIALS" :key="dial" :value="dial" :label="dial"
      /></ElSelect>
    </div>
    <details class="folded">
      <summary>Sign on the picture</summary>
      <SignFields
        :sign="episode.document.sign"
        @change="(sign) => emit('run', { type: 'setSign', sign })"
      />
    </details>
    <div class="fields">
      <span>Channel</span>
      <KeptInput
        small
        :value="episode.document.channel"
        :maxlength="120"
        label="Name of the channel, for cards"
        placeholder="{channel} on cards"
        @keep="(channel) => emit('run', { type: 'setNames', set: { channel: channel.trim() } })"
      />
      <span>Next film</span>
      <KeptInput
        small
        :value="episode.document.next"
        :maxlength="200"
        label="Name of the next film, for cards"
        placeholder="{next} on cards"
        @keep="(next) => emit('run', { type: 'setNames', set: { next: next.trim() } })"
      />
    </div>
    <p class="note">
      <RouterLink class="link" :to="{ name: 'subtitles' }">Read the subtitles through</RouterLink>
      <RouterLink class="link" :to="{ name: 'styles' }">House styles</RouterLink>
    </p>
    <p v-if="newer" class="note">
      “{{ newer.name }}” has changed since.
      <button class="plain link" @click="follow(newer.id)">Take the changes over</button>
    </p>
    <p v-if="own.length" class="note">
      <span class="soft">Set by hand here:</span>
      <button
        v-for="name in own"
        :key="name"
        class="plain link"
        :title="`Back to how ${followed.name} has it`"
        @click="emit('run', { type: 'backToStyle', part: name })"
      >
        {{ label(name) }}: back
      </button>
    </p>
  </section>
</template>

<style scoped>
.panel {
  padding: 10px 16px;
  display: grid;
  gap: 10px;
  align-content: start;
}
h2,
h3 {
  font-size: 17px;
  font-weight: 600;
  margin: 0;
}
h3 {
  border-top: 1px solid var(--hair);
  padding-top: 10px;
}
.lines {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
.lines li {
  display: grid;
  grid-template-columns: 108px 1fr auto;
  gap: 8px;
  align-items: center;
}
.lines .place {
  grid-column: 2 / 4;
  display: flex;
  align-items: center;
  gap: 12px;
}
.lines .note {
  grid-column: 2 / 4;
}
summary {
  cursor: pointer;
  margin-bottom: 8px;
}
.kind {
  padding-left: 8px;
}
.note {
  margin: 0;
  display: flex;
  gap: 4px 12px;
  flex-wrap: wrap;
}
.offers {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}
.offer {
  border-bottom: 1px solid var(--blue);
}
.small {
  font-size: 13px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.kinds button {
  border: 1px solid var(--hair);
  padding: 2px 8px;
  font-size: 14px;
}
.kinds button:hover:not(:disabled) {
  border-color: var(--edge);
}
.fields {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr);
  gap: 8px 12px;
  align-items: center;
}
</style>
