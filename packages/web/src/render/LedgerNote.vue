<script setup lang="ts">
import { computed, ref } from 'vue'
import { type LedgerRow, ledgerWarnings } from '@tidy-reel/core/film/ledger'

/**
 * What the licences of a film's pictures ask, before it is rendered: in red what may not be used.
 */
const props = defineProps<{ rows: readonly LedgerRow[] }>()
const KINDS = [
  ['refused', 'may not be used here', 'red'],
  ['unknown', 'under no known licence', 'red'],
  ['share', 'to be shared alike', 'soft'],
] as const
const warnings = computed(() => ledgerWarnings(props.rows))
const credits = computed(
  () =>
    props.rows.filter(({ licence }) => licence.use === 'credit' || licence.use === 'share').length,
)
const groups = computed(() =>
  KINDS.map(([kind, said, tone]) => ({
    kind,
    said,
    tone,
    found: warnings.value.filter((warning) => warning.kind === kind),
  })).filter(({ found }) => found.length),
)
const open = ref('')
</script>

<template>
  <section v-if="rows.length" class="ledger" aria-label="Licences of the pictures">
    <p v-if="credits" class="soft">
      {{ credits }} of {{ rows.length }} pictures ask for a credit: <b>credits.txt</b> names them.
    </p>
    <div v-for="{ kind, said, tone, found } in groups" :key="kind" :class="tone">
      <button
        class="plain"
        :aria-expanded="open === kind"
        @click="open = open === kind ? '' : kind"
      >
        {{ found.length }} {{ found.length === 1 ? 'picture' : 'pictures' }} {{ said }}
        <span class="link">{{ open === kind ? 'hide' : 'which' }}</span>
      </button>
      <ul v-if="open === kind">
        <li v-for="{ row, text } in found" :key="row.item.id">
          {{ row.scenes.length === 1 ? 'Scene' : 'Scenes' }} {{ row.scenes.join(', ') }}: “{{
            row.item.title
          }}”, {{ row.licence.name }} – {{ text }}.
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.ledger {
  display: grid;
  gap: 6px;
  font-size: 13.5px;
  line-height: 1.35;
  border-top: 1px solid var(--hair);
  padding-top: 10px;
}
.ledger .red .link {
  color: inherit;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
  max-height: 220px;
  overflow: auto;
}
</style>
