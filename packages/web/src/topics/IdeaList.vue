<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { type Idea, IDEA_STATES } from '@tidy-reel/core/topics/topic-views'
import KeptInput from '../controls/KeptInput.vue'

const props = defineProps<{
  ideas: readonly Idea[]
  suggested: { title: string; subject: string; notes: string } | undefined
}>()
const emit = defineEmits<{
  add: [title: string, subject: string, notes: string]
  change: [idea: Idea, fields: Partial<Idea>]
  remove: [idea: Idea]
  begin: [idea: Idea]
}>()
const NAMES = { todo: 'To do', work: 'In work', done: 'Done' }
const title = ref('')
const notes = ref('')
const about = ref('')
const open = ref('')
const groups = computed(() =>
  IDEA_STATES.map((state) => ({
    state,
    ideas: props.ideas.filter((idea) => idea.state === state),
  })),
)
watch(
  () => props.suggested,
  (suggested) => {
    if (!suggested) return
    title.value = suggested.title
    notes.value = suggested.notes
    about.value = suggested.subject
  },
)
function add() {
  if (!title.value.trim()) return
  emit('add', title.value.trim(), about.value, notes.value)
  title.value = notes.value = about.value = ''
}
</script>

<template>
  <section class="ideas">
    <h2 class="serif">Ideas</h2>
    <form @submit.prevent="add">
      <ElInput
        v-model="title"
        aria-label="Title of a new idea"
        placeholder="A film about …"
        maxlength="200"
      />
      <ElInput
        v-if="title"
        v-model="notes"
        type="textarea"
        :autosize="{ minRows: 2, maxRows: 6 }"
        aria-label="Notes on the idea"
        placeholder="What must be in it?"
      />
      <ElButton v-if="title" native-type="submit">Note it</ElButton>
    </form>
    <div v-for="{ state, ideas: list } in groups" :key="state">
      <h3>
        {{ NAMES[state] }} <span class="soft">{{ list.length || '' }}</span>
      </h3>
      <p v-if="state === 'todo' && !list.length" class="soft">
        Write one above, or choose a subject and note an idea on it.
      </p>
      <ul>
        <li v-for="idea in list" :key="idea.id">
          <button
            class="plain serif"
            :aria-expanded="open === idea.id"
            @click="open = open === idea.id ? '' : idea.id"
          >
            {{ idea.title }}
          </button>
          <template v-if="open === idea.id">
            <KeptInput
              :value="idea.notes"
              :lines="{ minRows: 2, maxRows: 8 }"
              label="Notes"
              placeholder="What must be in it?"
              @keep="(text) => emit('change', idea, { notes: text })"
            />
            <p class="row">
              <button
                v-for="other in IDEA_STATES.filter((s) => s !== state)"
                :key="other"
                class="plain link"
                @click="emit('change', idea, { state: other })"
              >
                {{ NAMES[other] }}</button><button class="plain link" @click="emit('remove', idea)">
                Remove
              </button>
            </p>
          </template>
          <button class="plain link begin" @click="emit('begin', idea)">
            {{ idea.episodeId ? 'Open its episode' : 'Begin the episode' }}
          </button>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.ideas {
  padding: 16px 20px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 16px;
}
h2 {
  font-size: 22px;
  line-height: 1;
}
h3 {
  font-weight: 600;
  font-size: 14px;
  border-bottom: 1px solid var(--hair);
  padding-bottom: 4px;
}
form {
  display: grid;
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  gap: 6px;
  padding: 8px 0;
  border-bottom: 1px solid var(--hair);
  justify-items: start;
}
li > .serif {
  font-size: 16.5px;
  line-height: 1.25;
}
.row {
  display: flex;
  gap: 14px;
  font-size: 14px;
}
.begin {
  font-size: 14px;
}
.el-textarea {
  width: 100%;
}
</style>
