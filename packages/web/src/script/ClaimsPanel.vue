<script setup lang="ts">
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import { checkedAs, type Claim, CLAIM_KINDS } from '@tidy-reel/core/checks/claim'
import { type CheckedClaim, CLAIM_MARKS, type ClaimMark } from '@tidy-reel/core/document/document'
import KeptInput from '../controls/KeptInput.vue'

const props = defineProps<{
  claims: readonly Claim[]
  known: readonly CheckedClaim[]
  by: string
  sourceOf: (claim: Claim) => string
}>()
const emit = defineEmits<{
  mark: [claim: Claim, found: { mark: ClaimMark; source: string; by: string } | null]
  show: [from: number, to: number]
  save: []
  by: [name: string]
}>()
const only = ref<'all' | 'open' | ClaimMark>('all')
const rows = computed(() =>
  props.claims.map((claim) => ({ claim, found: checkedAs(claim, props.known) })),
)
const shown = computed(() =>
  rows.value.filter(
    ({ found }) =>
      only.value === 'all' || (only.value === 'open' ? !found : found?.mark === only.value),
  ),
)
const counts = computed(() => {
  const counted: Record<keyof typeof FILTERS, number> = {
    all: rows.value.length,
    open: rows.value.filter(({ found }) => !found).length,
    unsure: 0,
    checked: 0,
    wrong: 0,
  }
  for (const { found } of rows.value) if (found) counted[found.mark]++
  return counted
})
const FILTERS = {
  all: 'all',
  open: 'not looked at',
  unsure: 'unsure',
  checked: 'checked',
  wrong: 'wrong',
} as const
</script>

<template>
  <template v-if="claims.length">
    <p>
      What a viewer could write to you about. Say of each whether it holds, and where that is said.
    </p>
    <p class="filters">
      <button
        v-for="(name, key) in FILTERS"
        :key="key"
        class="plain"
        :class="{ on: only === key }"
        :aria-pressed="only === key"
        @click="only = key"
      >
        {{ name }} <span class="soft">{{ counts[key] }}</span>
      </button>
    </p>
    <ul>
      <li v-for="{ claim, found } in shown" :key="claim.from" :class="found?.mark">
        <button class="plain serif" @click="emit('show', claim.from, claim.to)">
          <b>{{ claim.words }}</b> <span class="soft">{{ claim.sentence }}</span>
        </button>
        <div class="marks" role="group" :aria-label="`Mark of “${claim.words}”`">
          <span class="soft">{{ CLAIM_KINDS[claim.kind] }}</span>
          <button
            v-for="mark in CLAIM_MARKS"
            :key="mark"
            class="plain"
            :class="[mark, { on: found?.mark === mark }]"
            :aria-pressed="found?.mark === mark"
            @click="
              emit(
                'mark',
                claim,
                found?.mark === mark
                  ? null
                  : { mark, source: found?.source || sourceOf(claim), by },
              )
            "
          >
            {{ mark }}
          </button>
        </div>
        <KeptInput
          v-if="found"
          small
          :value="found.source"
          placeholder="Where it is said: a title, an address, a page"
          :label="`Source of “${claim.words}”`"
          @keep="(source) => emit('mark', claim, { mark: found!.mark, source, by })"
        />
        <span v-if="!found && sourceOf(claim)" class="soft by"
          >from your source “{{ sourceOf(claim) }}”</span
        >
        <span v-if="found?.by" class="soft by">marked by {{ found.by }}</span>
      </li>
    </ul>
    <div class="foot">
      <KeptInput
        small
        :value="by"
        placeholder="Your name, for the marks"
        label="Your name, for the marks"
        @keep="(name) => emit('by', name)"
      />
      <ElButton @click="emit('save')">Save the list</ElButton>
    </div>
  </template>
  <p v-else class="soft">
    Numbers, dates, names, superlatives and causes in the narration are listed here, each to be
    checked before the film goes out.
  </p>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  font-size: 14px;
}
.filters .on {
  font-weight: 600;
  border-bottom: 2px solid var(--blue);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
  display: grid;
  gap: 4px;
}
li > .plain {
  font-size: 15.5px;
  line-height: 1.35;
}
.marks {
  display: flex;
  gap: 14px;
  font-size: 14px;
}
.marks .soft {
  flex: 1;
}
.marks .on {
  font-weight: 600;
  border-bottom: 2px solid var(--ink);
}
.marks .unsure.on {
  border-color: var(--blue);
  color: var(--blue);
}
.marks .wrong.on {
  border-color: var(--red);
  color: var(--red);
}
.by {
  font-size: 13px;
}
.foot {
  display: grid;
  gap: 8px;
}
</style>
