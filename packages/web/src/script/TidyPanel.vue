<script setup lang="ts">
import { ElButton } from 'element-plus'
import { groupBy } from 'lodash-es'
import { computed } from 'vue'
import type { TidyChange } from '@tidy-reel/core/tidy/change'
import { TIDY_KINDS, type TidyKind, unasked } from '@tidy-reel/core/tidy/kinds'

const props = defineProps<{
  changes: readonly TidyChange[]
  left: number
  empty: boolean
  made: number
}>()
const emit = defineEmits<{
  accept: [changes: readonly TidyChange[]]
  leave: [changes: readonly TidyChange[]]
  show: [change: TidyChange]
  compare: []
  again: []
  undo: []
}>()
const groups = computed(() =>
  Object.entries(groupBy(props.changes, ({ kind }) => kind)).map(([kind, changes]) => ({
    kind: kind as TidyKind,
    changes,
  })),
)
const short = (text: string) =>
  text.length > 90 ? `${text.slice(0, 60)} … ${text.slice(-24)}` : text
</script>

<template>
  <p v-if="made" class="made" role="status">
    {{ made }} {{ made === 1 ? 'change' : 'changes' }} made.
    <button class="plain link" @click="emit('undo')">Undo</button>
  </p>
  <template v-if="changes.length">
    <p>
      <b>{{ changes.length }}</b> {{ changes.length === 1 ? 'thing' : 'things' }} should not be
      spoken as {{ changes.length === 1 ? 'it stands' : 'they stand' }}.
    </p>
    <div class="all">
      <ElButton
        type="primary"
        :disabled="!unasked(changes).length"
        @click="emit('accept', unasked(changes))"
        >Tidy all</ElButton
      >
      <ElButton @click="emit('compare')">Before and after</ElButton>
    </div>
    <section
      v-for="{ kind, changes: found } in groups"
      :key="kind"
      :aria-label="TIDY_KINDS[kind].name"
    >
      <header>
        <h2>
          {{ TIDY_KINDS[kind].name }} <span class="soft">{{ found.length }}</span>
        </h2>
        <span
          ><button
            class="plain link"
            :aria-label="`Accept all ${TIDY_KINDS[kind].name}`"
            @click="emit('accept', found)"
          >
            Accept all
          </button>
          <button
            class="plain link"
            :aria-label="`Leave all ${TIDY_KINDS[kind].name}`"
            @click="emit('leave', found)"
          >
            Leave all
          </button></span
        >
      </header>
      <p class="soft why">{{ TIDY_KINDS[kind].why }}</p>
      <ul>
        <li v-for="change in found" :key="change.edits[0]!.from">
          <button
            class="plain words serif"
            :title="`Line ${change.line}`"
            @click="emit('show', change)"
          >
            <del>{{ short(change.before) }}</del><ins v-if="change.after">
              {{ short(change.after) }}</ins
            >
          </button>
          <span class="answer"
            ><button class="plain link" @click="emit('accept', [change])">Accept</button>
            <button class="plain link" @click="emit('leave', [change])">Leave</button></span
          >
        </li>
      </ul>
    </section>
  </template>
  <p v-else-if="empty" class="soft">
    Paste a script: what should not be spoken in it (labels, directions, time stamps, links and
    more) is shown here with a proposal for each.
  </p>
  <p v-else>Tidy. Everything in this script can be spoken as it stands.</p>
  <p v-if="left" class="soft">
    {{ left }} left as {{ left === 1 ? 'it is' : 'they are' }}.
    <button class="plain link" @click="emit('again')">
      Show {{ left === 1 ? 'it' : 'them' }} again
    </button>
  </p>
</template>

<style scoped>
.all {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.el-button + .el-button {
  margin: 0;
}
section {
  border-top: 1px solid var(--hair);
  padding-top: 8px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 8px;
  font-size: 14px;
}
header > span {
  white-space: nowrap;
  display: flex;
  gap: 12px;
}
h2 {
  font-weight: 600;
}
h2::first-letter {
  text-transform: uppercase;
}
h2 {
  white-space: nowrap;
}
.made {
  border: solid var(--hair);
  border-width: 1px 0;
  padding: 6px 0;
}
.why {
  font-size: 13px;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 7px;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: baseline;
}
.words {
  font-size: 15.5px;
  line-height: 1.3;
  white-space: pre-line;
  overflow-wrap: anywhere;
  min-width: 0;
}
.answer {
  display: flex;
  gap: 12px;
  font-size: 14px;
  white-space: nowrap;
}
del {
  color: var(--soft);
  text-decoration-color: var(--red);
}
ins {
  color: var(--blue);
  text-decoration: none;
}
</style>
