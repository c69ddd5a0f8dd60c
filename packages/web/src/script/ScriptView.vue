<script setup lang="ts">
import type { Diagnostic } from '@codemirror/lint'
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { BookOpen, Columns2, FileInput, PenLine, Search, Square, Volume2 } from 'lucide-vue-next'
import { TabsContent, TabsList, TabsRoot, TabsTrigger } from 'reka-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { checkedAs, type Claim } from '@tidy-reel/core/checks/claim'
import { claimRows } from '@tidy-reel/core/checks/claim-rows'
import { hookOf } from '@tidy-reel/core/checks/hook'
import { scriptWords } from '@tidy-reel/core/checks/script-words'
import type { ClaimMark } from '@tidy-reel/core/document/document'
import { entryOf, itemAt } from '@tidy-reel/core/faults/certain'
import { chosenItem } from '@tidy-reel/core/pictures/item'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import type { TidyChange } from '@tidy-reel/core/tidy/change'
import { TIDY_KINDS, unasked } from '@tidy-reel/core/tidy/kinds'
import type { ChannelView } from '@tidy-reel/core/views/checks'
import type { VersionView } from '@tidy-reel/core/views/episode'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import type { Writing } from '@tidy-reel/core/writing/brief'
import { episodesApi } from '../api/episodes.ts'
import { takeSound } from '../api/media.ts'
import { scriptApi } from '../api/script.ts'
import { speechApi } from '../api/speech.ts'
import { writingApi } from '../api/writing.ts'
import { laterPart } from '../controls/later-part.ts'
import { saveText } from '../controls/save-text.ts'
import { useEpisode } from '../episode/episode-store.ts'
import { withChapterMoved } from './chapter-move.ts'
import ChapterOutline from './ChapterOutline.vue'
import type { Seen } from './editor/ranges.ts'
import ScriptEditor from './ScriptEditor.vue'
import SentenceStrip from './SentenceStrip.vue'
import { useReadAloud } from './use-read-aloud.ts'
import { useScript } from './use-script.ts'
import { useScriptReading } from './use-script-reading.ts'
import { useTidyChoice } from './use-tidy-choice.ts'

/** Fetched when they are opened; what stands beside the text at first, once the text stands. */
const ChecksPanel = laterPart(() => import('./ChecksPanel.vue'))
const ClaimsPanel = laterPart(() => import('./ClaimsPanel.vue'))
const lengthFacts = () => import('./LengthFacts.vue')
const LengthFacts = laterPart(lengthFacts)
/** After what stands above it: nothing is pushed down. */
const FilmPanel = laterPart(() => lengthFacts().then(() => import('./FilmPanel.vue')))
const NotesPanel = laterPart(() => import('./NotesPanel.vue'))
const TidyPanel = laterPart(() => import('./TidyPanel.vue'))
const CompareTexts = laterPart(() => import('./CompareTexts.vue'))
const MenuButton = laterPart(() => import('../controls/MenuButton.vue'))
const ImportPanel = laterPart(() => import('./ImportPanel.vue'))
const WritingPanel = laterPart(() => import('./writing/WritingPanel.vue'))

const TABS = ['Film', 'Tidy', 'Checks', 'Claims', 'Notes'] as const
const episode = useEpisode()
const router = useRouter()
const id = episode.data.id
const { text, onAdopted, read, problem, parsed, seconds, chapters, starts, save, speed } =
  useScript(episode)
const { looked, checks, unanswered, askAgain } = useScriptReading(text, scriptApi.scriptChecks)
const tidy = useTidyChoice(id, looked, text)
const aloud = useReadAloud(
  () => parsed.value.scenes,
  async (scene) => takeSound((await speechApi.say(episode.sayRequest(scene))).hash),
)
const by = useLocalStorage('tidy-person', '')

const editor = ref<InstanceType<typeof ScriptEditor>>()
const tab = ref<(typeof TABS)[number]>('Film')
const reading = ref(false)
const cursor = ref(0)
const selected = ref('')
const sceneAt = computed(() =>
  Math.max(
    0,
    parsed.value.scenes.findLastIndex(({ source }) => source.from <= cursor.value),
  ),
)
const chapterAt = computed(() =>
  parsed.value.chapters.findLastIndex(({ source }) => source.from <= cursor.value),
)
const hook = computed(() => hookOf(parsed.value.scenes, speed.value))
/** Marks are drawn only on the text they were found in. */
const fresh = computed(() => looked.value.script === text.value)

const misspelt = computed(() => {
  const wrong = new Map(checks.value?.misspelt.map((one) => [one.word, one.suggestions]))
  if (!wrong.size) return []
  return scriptWords(read.value, parsed.value).flatMap((word) => {
    const plain = word.text.replace(/’/g, "'").replace(/'s$/, '')
    return wrong.has(plain) ? [{ ...word, plain, suggestions: entryOf(wrong, plain) }] : []
  })
})
const findings = computed(() => [
  ...looked.value.findings,
  ...(fresh.value
    ? misspelt.value.map(({ from, to, suggestions }) => ({
        kind: 'spelling' as const,
        from,
        to,
        text: suggestions.length
          ? `Perhaps ${suggestions.slice(0, 3).join(', ')}?`
          : 'Not in the dictionary.',
      }))
    : []),
])
const diagnostics = computed<Diagnostic[]>(() => [
  ...misspelt.value.map(({ from, to, plain, suggestions }): Diagnostic => ({
    from,
    to,
    severity: 'error',
    message: `“${plain}” is not in the dictionary.`,
    actions: [
      ...suggestions.slice(0, 4).map((word) => ({
        name: word,
        apply: (
          view: Parameters<NonNullable<Diagnostic['actions']>[number]['apply']>[0],
          start: number,
          end: number,
        ) => view.dispatch({ changes: { from: start, to: end, insert: word } }),
      })),
      { name: "Add to the channel's words", apply: () => void addWord(plain) },
    ],
  })),
  ...(tab.value === 'Checks' && fresh.value
    ? looked.value.findings
        .filter(({ kind }) => kind !== 'long' && kind !== 'balance')
        .map(({ from, to, text: message }): Diagnostic => ({ from, to, severity: 'info', message }))
    : []),
])
const seen = shallowRef<Seen[]>([])
watch(
  [
    tab,
    looked,
    fresh,
    () => episode.document.claims,
    () => episode.document.comments,
    tidy.proposed,
  ],
  () => {
    if (fresh.value || tab.value === 'Film' || tab.value === 'Checks')
      seen.value = seenOn(tab.value)
  },
  { immediate: true },
)
const writing = ref(false)
/** Sentences of the draft with their sources, for the claims they make. */
const written = shallowRef<Writing>()
watch(
  writing,
  async (open) => {
    if (!open) written.value = await writingApi.writing(id).catch(() => undefined)
  },
  { immediate: true },
)
/** What each chapter may take of the wish: as its outline says, an equal share otherwise. */
const wishes = computed(() => {
  const wanted = episode.document.wantedMinutes
  const named = chapters.value.filter(({ chapter }) => chapter >= 0)
  if (!wanted || !named.length) return new Map<number, number>()
  const planned = new Map(written.value?.outline?.map(({ title, minutes }) => [title, minutes]))
  const all = named.every(({ title }) => planned.has(title))
  const sum = named.reduce((total, { title }) => total + (all ? entryOf(planned, title) : 1), 0)
  return new Map(
    named.map(({ chapter, title }) => [
      chapter,
      (wanted * 60 * (all ? entryOf(planned, title) : 1)) / sum,
    ]),
  )
})
const sourceOf = ({ sentence }: Claim) => {
  const from = written.value?.draft?.sentences.find(({ text: said }) => said === sentence)?.from[0]
  return written.value?.brief.sources.find((source) => source.id === from?.source)?.title ?? ''
}
const importing = ref(router.currentRoute.value.query.import !== undefined)
/** Text that came from outside, and the pictures that came with it. */
function takeOver({ script, pictures }: ImportedScriptView, way: 'replace' | 'append') {
  importing.value = writing.value = false
  const before = way === 'append' && text.value.trim() ? `${text.value.trimEnd()}\n\n` : ''
  text.value = before + script
  save()
  if (problem.value || !pictures.length) return
  const { scenes } = parsedScript(episode.document.script)
  for (const { item, from, to } of pictures)
    scenes.forEach(({ source }, i) => {
      if (source.from >= before.length + from && source.from < before.length + to)
        episode.run({
          type: 'setShot',
          sceneId: itemAt(episode.document.scenes, i).id,
          shot: 0,
          item: chosenItem(item),
        })
    })
}
const heard = computed<Seen[]>(() => {
  const scene = parsed.value.scenes[aloud.scene.value]
  return scene ? [{ ...scene.source, name: 'cm-reading' }] : []
})
/** The editor draws what is in sight; paper shows all of it. */
const paper = ref<HTMLElement>()
useEventListener(window, 'beforeprint', () => {
  if (paper.value) paper.value.textContent = `${episode.document.title}\n\n${text.value}`
})
useEventListener(window, 'afterprint', () => paper.value?.replaceChildren())
const versionsSeen = computed<Seen[]>(() =>
  episode.document.conflicts.flatMap(({ first, second }) =>
    [first, second].map((version) => ({
      ...version,
      name: 'cm-version',
      title: 'Changed twice at once: both versions stand here',
    })),
  ),
)

function seenOn(name: (typeof TABS)[number]): Seen[] {
  if (name === 'Tidy') return tidy.proposed.value.flatMap(tidySeen)
  if (name === 'Claims')
    return looked.value.claims.map((claim) => ({
      from: claim.from,
      to: claim.to,
      name: `cm-claim cm-claim-${checkedAs(claim, episode.document.claims)?.mark ?? 'open'}`,
    }))
  if (name === 'Notes')
    return episode.document.comments
      .filter(({ done }) => !done)
      .flatMap(({ on, text: title }) => {
        const from = text.value.indexOf(on)
        return from < 0 ? [] : [{ from, to: from + on.length, name: 'cm-comment', title }]
      })
  return []
}
const tidySeen = ({ kind, edits }: TidyChange): Seen[] =>
  edits.map((edit) => ({
    from: edit.from,
    to: edit.to,
    name: 'cm-out',
    title: TIDY_KINDS[kind].name,
    put: edit.text.trim() === '' ? '' : edit.text.replace(/^\n+/, ''),
  }))

const channelWords = ref<string[]>([])
scriptApi.channel().then(
  ({ words }) => (channelWords.value = words),
  () => undefined,
)
async function changeWords(change: Promise<ChannelView>) {
  try {
    channelWords.value = (await change).words
  } catch (cause) {
    problem.value = (cause as Error).message
  }
  await askAgain()
}
const addWord = (word: string) => changeWords(scriptApi.addWord(word))
function toggleImport() {
  importing.value = !importing.value
  writing.value = false
}
onAdopted((script) => editor.value?.adopt(script))
const show = (from: number, to?: number) => editor.value?.show(from, to)
const showScene = (scene: number) =>
  show(itemAt(parsed.value.scenes, scene).source.from, itemAt(parsed.value.scenes, scene).source.to)
const showChapter = (chapter: number) =>
  show(chapter < 0 ? 0 : itemAt(parsed.value.chapters, chapter).source.to)
function cutScene(scene: number) {
  const { from, to } = itemAt(parsed.value.scenes, scene).source
  const end = text.value[to] === ' ' ? to + 1 : to
  text.value = text.value.slice(0, from) + text.value.slice(end)
}
const moveChapter = (chapter: number, before: number) =>
  (text.value = withChapterMoved(text.value, parsed.value, chapter, before))
function markClaim(
  { sentence, words }: Claim,
  found: { mark: ClaimMark; source: string; by: string } | null,
) {
  save()
  episode.run({ type: 'markClaim', sentence, words, found })
}
async function saveClaims() {
  const { claimList } = await import('@tidy-reel/core/export/claim-list')
  const rows = claimRows(looked.value.claims, episode.document.claims)
  saveText(`${episode.document.title} – claims.csv`, claimList(rows))
}
const readAloud = () => (aloud.scene.value < 0 ? void aloud.from(sceneAt.value) : aloud.stop())

/** What the script is laid beside: how it would be when tidied, or a kept version. */
const beside = ref<{
  before: string
  after: string
  beforeName: string
  afterName: string
  tidied: boolean
}>()
const versions = ref<VersionView[]>()
const compareTidy = () =>
  (beside.value = {
    before: looked.value.script,
    after: tidy.tidied.value,
    beforeName: 'As it stands',
    afterName: 'Tidied',
    tidied: true,
  })
async function compareWith(version: string) {
  const kept = await episodesApi
    .version(id, version)
    .catch((cause: Error) => void (problem.value = cause.message))
  if (kept)
    beside.value = {
      before: kept.document.script,
      after: text.value,
      beforeName: kept.name,
      afterName: 'Now',
      tidied: false,
    }
}
async function listVersions() {
  versions.value = await episodesApi.versions(id).catch(() => [])
}
/** A comparison shows the text as it was when it was opened. */
watch([text, reading], () => (beside.value = undefined))
async function toSheet() {
  save()
  await router.push({ name: 'sheet', params: { id } })
}
</script>

<template>
  <main class="script" :class="{ reading: reading || writing }">
    <article ref="paper" class="on-paper serif" aria-hidden="true" />
    <ChapterOutline
      v-if="!reading && !writing"
      :chapters="chapters"
      :current="chapterAt"
      :wishes="wishes"
      @show="showChapter"
      @move="moveChapter"
    />
    <section class="page">
      <div class="tools">
        <button class="plain" @click="toggleImport">
          <FileInput :size="15" :stroke-width="1.6" /> Import
        </button>
        <button class="plain" @click="writing = !writing">
          <PenLine :size="15" :stroke-width="1.6" /> Write from sources
        </button>
        <button class="plain" @click="editor!.find()">
          <Search :size="15" :stroke-width="1.6" /> Find
        </button>
        <button class="plain" :disabled="!parsed.scenes.length" @click="readAloud">
          <Square v-if="aloud.scene.value >= 0" :size="14" :stroke-width="1.6" /><Volume2
            v-else
            :size="16"
            :stroke-width="1.6"
          />
          {{ aloud.scene.value >= 0 ? 'Stop reading' : 'Read aloud' }}
        </button>
        <button class="plain" :aria-pressed="reading" @click="reading = !reading">
          <BookOpen :size="15" :stroke-width="1.6" /> {{ reading ? 'Write again' : 'Reading view' }}
        </button>
        <MenuButton
          v-if="!reading"
          :choices="(versions ?? []).map((version) => [version.id, version.name] as const)"
          :empty="versions && 'No version is kept yet; the Sheet keeps them.'"
          @open="listVersions"
          @choose="compareWith"
        >
          <Columns2 :size="15" :stroke-width="1.6" /> Compare with …
        </MenuButton>
        <span v-if="problem || aloud.problem.value" class="red" role="alert">{{
          problem || aloud.problem.value
        }}</span>
      </div>
      <WritingPanel
        v-if="writing"
        :episode-id="id"
        :empty="!text.trim()"
        :speed="speed"
        @take="takeOver"
        @close="writing = false"
      />
      <ImportPanel
        v-else-if="importing"
        :empty="!text.trim()"
        @take="takeOver"
        @close="importing = false"
      />
      <CompareTexts v-else-if="beside" v-bind="beside" @close="beside = undefined"
        ><button
          v-if="beside.tidied"
          class="plain link"
          @click="tidy.accept(unasked(tidy.proposed.value))"
        >
          Tidy all
        </button></CompareTexts
      >
      <ScriptEditor
        v-show="!beside && !importing && !writing"
        ref="editor"
        v-model:text="text"
        :versions="versionsSeen"
        :scenes="starts"
        :seen="seen"
        :aloud="heard"
        :diagnostics="diagnostics"
        :reading="reading"
        @cursor="
          (at, words) => {
            cursor = at
            selected = words
          }
        "
        @leave="save"
      />
      <SentenceStrip :sentences="looked.sentences" :at="cursor" @show="show" />
    </section>
    <aside v-if="!reading && !writing">
      <TabsRoot v-model="tab" class="panels">
        <TabsList class="tabs" aria-label="About the script">
          <TabsTrigger v-for="name in TABS" :key="name" class="plain" :value="name">
            {{ name
            }}<span v-if="name === 'Tidy' && tidy.proposed.value.length" class="count">{{
              tidy.proposed.value.length
            }}</span>
          </TabsTrigger>
        </TabsList>
        <TabsContent :value="tab" class="panel">
          <template v-if="tab === 'Film'">
            <LengthFacts
              :parsed="parsed"
              :seconds="seconds"
              :wanted="episode.document.wantedMinutes"
              :speed="speed"
              @wish="(minutes) => episode.run({ type: 'setWantedMinutes', minutes })"
              @show="showScene"
              @cut="cutScene"
              @chapter="showChapter"
            />
            <FilmPanel
              :film="episode.document"
              :parsed="parsed"
              :seconds="seconds"
              @run="episode.run"
              @sheet="toSheet"
            />
          </template>
          <TidyPanel
            v-else-if="tab === 'Tidy'"
            :changes="tidy.proposed.value"
            :left="tidy.leftCount.value"
            :made="tidy.made.value"
            :empty="!text.trim()"
            @accept="tidy.accept"
            @leave="tidy.leave"
            @again="tidy.showAgain"
            @undo="tidy.undo"
            @compare="compareTidy"
            @show="(change) => show(change.edits[0]!.from, change.edits.at(-1)!.to)"
          />
          <ChecksPanel
            v-else-if="tab === 'Checks'"
            :hook="hook"
            :looked="looked"
            :checks="checks"
            :unanswered="unanswered"
            :findings="findings"
            :words="channelWords"
            @forget="(word) => changeWords(scriptApi.removeWord(word))"
            @show="show"
            @scene="showScene"
          />
          <ClaimsPanel
            v-else-if="tab === 'Claims'"
            :claims="looked.claims"
            :known="episode.document.claims"
            :by="by"
            :source-of="sourceOf"
            @mark="markClaim"
            @show="show"
            @save="saveClaims"
            @by="(name) => (by = name)"
          />
          <NotesPanel
            v-else
            :notes="episode.document.notes"
            :comments="episode.document.comments"
            :selected="selected"
            :by="by"
            :script="text"
            @notes="(notes, base) => episode.run({ type: 'setNotes', notes, base })"
            @put="(comment) => episode.run({ type: 'putComment', comment })"
            @remove="(comment) => episode.run({ type: 'removeComment', id: comment })"
            @show="show"
          />
        </TabsContent>
      </TabsRoot>
    </aside>
  </main>
</template>

<style scoped>
.on-paper {
  display: none;
}
@media print {
  .on-paper {
    display: block;
    white-space: pre-wrap;
    font-size: 12pt;
    line-height: 1.5;
    color: #000;
    background: #fff;
  }
  .on-paper::first-line {
    font-weight: 600;
  }
}
.script {
  display: grid;
  grid-template-columns: 196px minmax(0, 1fr) 336px;
}
.script.reading {
  grid-template-columns: minmax(0, 1fr);
}
.page {
  background: var(--paper);
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-height: 0;
  min-width: 0;
  border-right: 1px solid var(--hair);
  position: relative;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 18px;
  padding: 4px 20px;
  min-height: 38px;
  border-bottom: 1px solid var(--hair);
  font-size: 14px;
  color: var(--soft);
}
.tools button {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
.tools button:disabled {
  opacity: 0.5;
  cursor: default;
}
.tools .red {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
aside {
  min-height: 0;
}
.panels {
  height: 100%;
  display: grid;
  grid-template-rows: 38px minmax(0, 1fr);
  min-height: 0;
}
.tabs {
  display: flex;
  gap: 18px;
  padding: 0 20px;
  border-bottom: 1px solid var(--hair);
}
.tabs button {
  color: var(--soft);
  border-bottom: 2px solid transparent;
  margin-bottom: -1px;
}
.tabs [aria-selected='true'] {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--blue);
}
.count {
  font: 12px var(--mono);
  color: var(--red);
  margin-left: 5px;
}
.panel {
  overflow: auto;
  padding: 16px 20px 24px;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
</style>

<style>
@media print {
  /* The page is as long as what is on it. */
  body:has(.on-paper:not(:empty)) :is(html, body, #app, .shell, .script) {
    display: block;
    height: auto;
    overflow: visible;
  }
  body:has(.on-paper:not(:empty)) :is(.shell > :not(main), .script > :not(.on-paper), .skip) {
    display: none;
  }
}
</style>
