<script setup lang="ts">
import { ElButton, ElRadioButton, ElRadioGroup } from 'element-plus'
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { apply } from '@tidy-reel/core/document/apply'
import { changedParts, STYLE_PARTS, styleOf } from '@tidy-reel/core/document/style-parts'
import { FILM_SHAPES, SHAPE_NAMES } from '@tidy-reel/core/render/shapes'
import { FACES, PLAIN_FACE } from '@tidy-reel/core/style/faces'
import { PLAIN_MIXING } from '@tidy-reel/core/style/film-choices'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { SUPER_LOOKS } from '@tidy-reel/core/style/lettering'
import { missingLetters } from '@tidy-reel/core/style/own-face'
import { STYLE_FILE_BYTES } from '@tidy-reel/core/style/style-file'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { episodesApi } from '../api/episodes.ts'
import ChannelHeader from '../channel/ChannelHeader.vue'
import KeptInput from '../controls/KeptInput.vue'
import { saveText } from '../controls/save-text.ts'
import UndoLine from '../controls/UndoLine.vue'
import FilmMonitor from '../monitor/FilmMonitor.vue'
import { usePlayer } from '../monitor/use-player.ts'
import { KINDS } from '../pictures/drawn-kinds.ts'
import { fileOfStyle, styleFromFile } from './style-files.ts'
import StyleList from './StyleList.vue'
import StyleParts from './StyleParts.vue'
import { useStylePreview } from './use-style-preview.ts'
import { isOwn, useStyles } from './use-styles.ts'

const styles = useStyles()
const { shipped, own, chosen, chosenId, fault, removed, saving } = styles
const preview = useStylePreview(() => chosen.value)
const { view, shows, shape, plan, film, marked, proxies } = preview
const player = usePlayer(() => ({
  film: film.value,
  takes: view.value?.takes ?? {},
  cues: [],
  bed: null,
  nearer: [],
  mixing: view.value?.document.mixing ?? PLAIN_MIXING,
}))
const guides = ref(false)
const file = useTemplateRef<HTMLInputElement>('file')
const said = ref('')
onMounted(async () => {
  const shownFirst = chosenId.value
  await styles.load()
  await preview.load().catch((cause: Error) => (fault.value = cause.message))
  // Who has chosen one meanwhile keeps it.
  if (view.value && chosenId.value === shownFirst) chosenId.value = view.value.document.style.id
})

/** What the film's script has and the style's own faces have not. */
const lacking = computed(() =>
  (chosen.value?.lettering.faces ?? [])
    .map((face) => ({
      name: face.name,
      letters: missingLetters(face, view.value?.document.script ?? ''),
    }))
    .filter(({ letters }) => letters.length),
)
const title = computed(() => view.value?.document.title ?? '')
/** Whether the latest film follows the chosen style, in the version that is shown. */
const isFollowed = computed(() => {
  const followed = view.value?.document.style
  return followed?.id === chosen.value?.id && followed?.version === chosen.value?.version
})
const changes = computed(() =>
  view.value && chosen.value ? changedParts(view.value.document, chosen.value) : [],
)
async function use() {
  const [style, episode] = [chosen.value, view.value]
  if (!style || !episode) return
  const { id, revision, document } = episode
  const command = { type: 'followStyle', style } as const
  try {
    const answer = await episodesApi.command(id, revision, command, crypto.randomUUID())
    view.value = { ...episode, ...answer }
    said.value = `“${document.title}” is set in ${style.name} from now on.`
  } catch (cause) {
    fault.value = (cause as Error).message
  }
}
async function takeFromFilm() {
  const document = view.value?.document
  if (!document) return
  const made = await styles.add(
    styleOf(document, { id: 'own', name: `As in ${document.title}`.slice(0, 80) }),
  )
  if (made && view.value) {
    // The film follows the style that was made of it: nothing changes in it.
    view.value = {
      ...view.value,
      document: apply(document, { type: 'followStyle', style: made }).document,
    }
    await use()
  }
}
async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const [chosenFile] = input.files ?? []
  input.value = ''
  if (!chosenFile) return
  try {
    // One byte more than is read tells that there is more.
    const text = await chosenFile.slice(0, STYLE_FILE_BYTES + 1).text()
    await styles.add(await styleFromFile(chosenFile.name, text))
  } catch (cause) {
    fault.value = (cause as Error).message
  }
}
async function save(style: HouseStyle) {
  try {
    saveText(`${style.name}.json`, await fileOfStyle(style), 'application/json')
  } catch (cause) {
    fault.value = (cause as Error).message
  }
}
/** Where something has settled, or near its end where it is short. */
const settledAt = ({ start, end }: { start: number; end: number }) =>
  player.seek(Math.min(start + 2 * SAMPLE_RATE, end - SAMPLE_RATE / 2))
/** Who opens a part wants to see it. */
async function show(part: string) {
  const first = () => marked.value.find(({ look }) => look === part)
  if (!SUPER_LOOKS.some((look) => look === part)) return
  if (!first()) {
    shows.value = 'kinds'
    await nextTick()
  }
  const found = first()
  if (found) settledAt(found)
}
const rename = (name: string) => name.trim() && void styles.change({ name: name.trim() })
</script>

<template>
  <div class="room">
    <ChannelHeader class="head"
      ><ElButton @click="file?.click()">Take one from a file</ElButton>
      <input
        ref="file"
        class="hidden"
        type="file"
        accept="application/json,.json"
        aria-label="A house style from a file"
        tabindex="-1"
        @change="read"
    /></ChannelHeader>
    <p v-if="fault" class="fault red" role="alert">
      {{ fault }} <button class="plain link" @click="styles.load">Load them again</button>
    </p>
    <main>
      <h1 class="hidden">House styles</h1>
      <div class="lists">
        <StyleList
          title="To start from"
          :styles="shipped"
          :chosen="chosenId"
          @choose="(id) => (chosenId = id)"
        />
        <StyleList
          title="Your own"
          none="Change one of those above, and a copy of your own is made."
          :styles="own"
          :chosen="chosenId"
          @choose="(id) => (chosenId = id)"
        />
        <UndoLine
          v-if="removed"
          :said="`${removed.name} is removed.`"
          action="Bring it back"
          @undo="styles.bringBack"
        />
        <ElButton v-if="view" class="from" @click="takeFromFilm"
          >Make one of how “{{ title }}” looks</ElButton
        >
      </div>
      <section v-if="chosen" class="editor" aria-label="Parts of the style">
        <KeptInput
          :key="chosen.id"
          :value="chosen.name"
          :maxlength="80"
          label="Name of the style"
          placeholder="A name"
          @keep="rename"
        />
        <p class="soft told" role="status">
          <template v-if="saving">Saving …</template>
          <template v-else-if="isOwn(chosen)">Version {{ chosen.version }}, saved</template>
          <template v-else>Ships with Tidy Reel; a change makes your own copy</template>
        </p>
        <StyleParts :key="chosen.id" :style="chosen" @change="styles.change" @open="show" />
        <p class="files">
          <button class="plain link" @click="save(chosen)">Save as a file</button>
          <button v-if="isOwn(chosen)" class="plain link" @click="styles.remove(chosen)">
            Remove
          </button>
        </p>
      </section>
      <section class="shown" aria-label="How it looks">
        <div class="choices">
          <ElRadioGroup v-model="shows" size="small" aria-label="What is shown">
            <ElRadioButton value="film" :disabled="!view">Your film</ElRadioButton>
            <ElRadioButton value="kinds">Every kind</ElRadioButton>
          </ElRadioGroup>
          <ElRadioGroup v-model="shape" size="small" aria-label="Shape of the film">
            <ElRadioButton v-for="name in SHAPE_NAMES" :key="name" :value="name">{{
              name
            }}</ElRadioButton>
          </ElRadioGroup>
        </div>
        <FilmMonitor
          v-if="film.frames"
          :film="film"
          :plan="plan"
          :player="player"
          :proxies="proxies"
          :guides="guides"
          :shape="FILM_SHAPES[shape]"
          @guides="guides = !guides"
        />
        <p v-if="marked.length" class="marked">
          <span class="soft">Go to</span>
          <button
            v-for="one in marked"
            :key="`${one.kind} ${one.start}`"
            class="plain link"
            :title="one.text"
            @click="settledAt(one)"
          >
            {{ KINDS[one.kind] }}
          </button>
        </p>
        <template v-if="view && chosen">
          <p v-for="{ name: called, letters } in lacking" :key="called" class="red">
            “{{ called }}” has no {{ letters.slice(0, 12).join(' ')
            }}{{ letters.length > 12 ? ' …' : '' }}: they are drawn in {{ FACES[PLAIN_FACE].name }}.
          </p>
          <p v-if="said && isFollowed" role="status">
            {{ said }}
            <RouterLink class="link" :to="{ name: 'sheet', params: { id: view.id } }"
              >Open its sheet</RouterLink
            >
          </p>
          <p v-else-if="isFollowed" class="soft">“{{ title }}” is set in this style.</p>
          <template v-else>
            <ElButton type="primary" @click="use">Set “{{ title }}” in {{ chosen.name }}</ElButton>
            <p class="soft">
              <template v-if="changes.length"
                >Changes its {{ changes.map((name) => STYLE_PARTS[name].label).join(', ') }}. What
                was set by hand stays.</template
              >
              <template v-else>Nothing of it would look different.</template>
            </p>
          </template>
        </template>
        <p v-else-if="!view" class="soft">
          As soon as there is an episode with a script, its first scenes are shown here.
        </p>
      </section>
    </main>
  </div>
</template>

<style scoped>
.room {
  height: 100%;
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
}
.head {
  padding: 0 20px;
}
.fault {
  grid-row: 2;
  margin: 0;
  padding: 8px 20px;
  border-bottom: 1px solid var(--red);
}
main {
  grid-row: 3;
  display: grid;
  grid-template-columns: 270px 340px minmax(0, 1fr);
  min-height: 0;
}
main > :not(h1) {
  overflow-y: auto;
  padding: 14px 18px;
}
.lists {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 18px;
  align-content: start;
  background: var(--ground);
}
.from {
  white-space: normal;
  overflow-wrap: anywhere;
  height: auto;
  padding: 6px 10px;
  line-height: 1.3;
}
.editor {
  border-left: 1px solid var(--hair);
  border-right: 1px solid var(--hair);
}
.told {
  margin: 4px 0 10px;
  font-size: 14px;
}
.files {
  display: flex;
  gap: 18px;
  border-top: 1px solid var(--hair);
  padding-top: 10px;
}
.shown {
  --screen-most: calc(100vh - 300px);
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  align-content: start;
}
.shown p {
  overflow-wrap: anywhere;
  margin: 0;
}
.marked {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.shown .el-button {
  justify-self: start;
  white-space: normal;
  overflow-wrap: anywhere;
  height: auto;
  min-height: 32px;
  text-align: left;
  line-height: 1.3;
}
.choices {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  flex-wrap: wrap;
}
@media (max-width: 1000px), (max-height: 540px) {
  main {
    grid-template-columns: minmax(0, 1fr);
    overflow-y: auto;
  }
  main > :not(h1) {
    overflow: visible;
  }
}
</style>
