<script setup lang="ts">
import { ElAutocomplete, ElInput, ElSwitch } from 'element-plus'
import { computed, nextTick, ref, watch } from 'vue'
import type { Item } from '@tidy-reel/core/pictures/item'
import { licenceFacts } from '@tidy-reel/core/pictures/licences'
import type { PictureUse, PictureView } from '@tidy-reel/core/views/library'
import { libraryApi } from '../api/library.ts'
import KeptInput from '../controls/KeptInput.vue'
import ChipList from '../pictures/ChipList.vue'
import MovingThumb from '../pictures/MovingThumb.vue'

/** What is known of the selected pictures, and a person's own words for them. */
const props = defineProps<{
  pictures: readonly PictureView[]
  collections: readonly { name: string }[]
}>()
const emit = defineEmits<{
  tag: [add: string[], remove: string[]]
  describe: [said: Partial<Item> & { people?: boolean }]
  collect: [name: string, inside: boolean]
  favour: [favourite: boolean]
  remove: []
  wanted: []
  next: []
  show: [words: string]
}>()

const one = computed(() => (props.pictures.length === 1 ? props.pictures[0] : undefined))
const licence = computed(() => one.value && licenceFacts(one.value.item.licence))
/** Words all of them have. */
const shared = computed(
  () =>
    props.pictures.reduce<string[] | undefined>(
      (tags, { item }) => tags?.filter((tag) => item.tags.includes(tag)) ?? item.tags,
      undefined,
    ) ?? [],
)
const gathered = computed(() =>
  [...new Set(props.pictures.flatMap(({ collections }) => collections))].sort(),
)
const typed = ref('')
const named = ref('')
const field = ref<InstanceType<typeof ElInput>>()
const uses = ref<PictureUse[]>([])
const twins = ref<PictureView[]>([])
watch(
  () => one.value?.item.id,
  async (id) => {
    uses.value = []
    twins.value = []
    if (!id) return
    const [used, alike] = await Promise.all([
      libraryApi.pictureUses(id).catch(() => []),
      libraryApi.pictureTwins(id).catch(() => []),
    ])
    if (one.value?.item.id !== id) return
    uses.value = used
    twins.value = alike
  },
  { immediate: true },
)

const words = () =>
  typed.value
    .split(/[,;]/)
    .map((word) => word.trim())
    .filter(Boolean)
/**
 * Enter keeps the words and goes on to the next picture; so a row of them is tagged without a hand
 * off the keys.
 */
async function keep(event: Event) {
  if (words().length) emit('tag', words(), [])
  typed.value = ''
  if ((event as KeyboardEvent).shiftKey || props.pictures.length > 1) return
  emit('next')
  await nextTick()
  field.value?.focus()
}
function gather() {
  if (named.value.trim()) emit('collect', named.value.trim(), true)
  named.value = ''
}
defineExpose({ write: () => field.value?.focus() })
</script>

<template>
  <aside class="details">
    <template v-if="one">
      <MovingThumb class="large" :item="one.item" :moving="true" />
      <KeptInput
        :value="one.item.title"
        label="Title"
        placeholder="Title"
        @keep="(title) => title.trim() && emit('describe', { title: title.trim() })"
      />
    </template>
    <p v-else class="serif many">{{ pictures.length }} pictures</p>
    <div class="part">
      <ElInput
        ref="field"
        v-model="typed"
        placeholder="Words; Enter goes on to the next"
        aria-label="Add words"
        @keydown.enter.prevent="keep"
      />
      <ChipList
        :chips="shared.map((tag) => ({ id: tag, said: tag }))"
        about="Words"
        @remove="(tag) => emit('tag', [], [tag])"
      />
    </div>
    <template v-if="one">
      <KeptInput
        :value="one.item.description"
        label="Description"
        placeholder="What is to be seen"
        :lines="{ minRows: 2, maxRows: 5 }"
        @keep="(description) => emit('describe', { description })"
      />
      <div class="two">
        <KeptInput
          :value="one.item.author"
          label="Author"
          placeholder="Author"
          small
          @keep="(author) => emit('describe', { author })"
        />
        <KeptInput
          :value="one.item.licence"
          label="Licence"
          placeholder="Licence"
          small
          @keep="(said) => emit('describe', { licence: said })"
        />
      </div>
      <p v-if="licence?.warning" :class="licence.use === 'share' ? 'soft' : 'red'">
        {{ licence.name }}: {{ licence.warning }}.
      </p>
      <label class="row"
        >People in it
        <ElSwitch
          :model-value="one.people"
          size="small"
          @change="(people) => emit('describe', { people: !!people })"
      /></label>
    </template>
    <div class="part">
      <ElAutocomplete
        v-model="named"
        size="small"
        placeholder="Put into a collection"
        aria-label="Collection"
        :trigger-on-focus="false"
        :fetch-suggestions="
          (asked: string, show: (list: { value: string }[]) => void) =>
            show(
              collections
                .filter(({ name }) => name.toLowerCase().includes(asked.toLowerCase()))
                .map(({ name }) => ({ value: name })),
            )
        "
        @select="gather"
        @keydown.enter="gather"
      />
      <ChipList
        :chips="gathered.map((name) => ({ id: name, said: name }))"
        about="Collections"
        @remove="(name) => emit('collect', name, false)"
      />
    </div>
    <p class="row">
      <button
        class="plain link"
        @click="emit('favour', !pictures.every(({ favourite }) => favourite))"
      >
        {{ pictures.every(({ favourite }) => favourite) ? 'No favourite any more' : 'Favourite' }}
      </button>
      <button
        v-if="pictures.some(({ refused }) => refused)"
        class="plain link"
        @click="emit('wanted')"
      >
        Wanted again
      </button>
      <button class="plain link" @click="emit('remove')">Take out of the library</button>
    </p>
    <template v-if="one">
      <p class="soft facts">
        {{ one.item.kind === 'clip' ? `Clip, ${one.item.seconds?.toFixed(1)} s` : 'Still' }},
        {{ one.item.width }} × {{ one.item.height
        }}<template v-if="one.colours.length">, {{ one.colours.join(', ') }}</template
        >. {{ one.item.source
        }}<template v-if="one.item.link"
          >,
          <a :href="one.item.link" target="_blank" rel="noopener noreferrer">its page</a></template
        >. In the library since
        {{
          new Date(one.addedAt).toLocaleDateString('en-GB', {
            day: 'numeric',
            month: 'long',
            year: 'numeric',
          })
        }}.
      </p>
      <div v-if="uses.length">
        <h3 class="soft">Shown in</h3>
        <p v-for="use in uses" :key="use.episodeId">
          <RouterLink class="link" :to="{ name: 'sheet', params: { id: use.episodeId } }">{{
            use.title
          }}</RouterLink>
          <span class="soft"
            >{{ use.scenes.length === 1 ? 'scene' : 'scenes' }} {{ use.scenes.join(', ') }}</span
          >
        </p>
      </div>
      <div v-if="twins.length">
        <h3 class="red">Looks the same as</h3>
        <p v-for="twin in twins" :key="twin.item.id">
          <button class="plain link" @click="emit('show', twin.item.title)">
            {{ twin.item.title }}
          </button>
        </p>
      </div>
    </template>
  </aside>
</template>

<style scoped>
.details {
  display: grid;
  gap: 12px;
  align-content: start;
  overflow: auto;
  min-height: 0;
  padding: 18px 20px;
  border-left: 1px solid var(--hair);
  background: var(--paper);
  grid-template-columns: minmax(0, 1fr);
}
.large {
  width: 100%;
  aspect-ratio: 16 / 9;
}
.many {
  font-size: 24px;
}
.part {
  display: grid;
  gap: 7px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.row {
  display: flex;
  justify-content: space-between;
  align-items: center;
  font-size: 14px;
}
.facts {
  font-size: 13.5px;
}
h3 {
  font-size: 13.5px;
}
</style>
