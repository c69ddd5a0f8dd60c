<script setup lang="ts">
import type { Matching } from '@tidy-reel/core/document/document'
import type { NounSenses } from '@tidy-reel/core/match/pick'

const props = defineProps<{ meanings: readonly NounSenses[]; pinned: Matching['senses'] }>()
const emit = defineEmits<{ pin: [noun: string, sense: string | null] }>()
const chosen = (noun: string) => props.pinned.find((each) => each.noun === noun)?.sense
/** What it means, in the words of the dictionary, with others that mean the same. */
const said = ({ words, gloss }: NounSenses['senses'][number]) =>
  `${words.length ? `${words.join(', ')}: ` : ''}${gloss}`
</script>

<template>
  <section aria-label="What the words mean">
    <h2 class="serif">What the words mean</h2>
    <details v-for="{ noun, senses } in meanings" :key="noun" :open="!!chosen(noun)">
      <summary>
        <b>{{ noun }}</b>{{ ' '
        }}<span class="soft">{{ chosen(noun) ? 'as you said' : senses[0]!.gloss }}</span>
      </summary>
      <ul>
        <li v-for="sense in senses" :key="sense.id">
          <button
            class="plain"
            :aria-pressed="chosen(noun) === sense.id"
            :title="`In this film ${noun} means this`"
            @click="emit('pin', noun, chosen(noun) === sense.id ? null : sense.id)"
          >
            {{ said(sense) }}
          </button>
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
summary {
  cursor: pointer;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
ul {
  list-style: none;
  margin: 4px 0 6px;
  padding: 0;
  display: grid;
  gap: 4px;
}
li button {
  font-size: 13.5px;
  line-height: 1.3;
  border-left: 2px solid var(--hair);
  padding-left: 9px;
  width: 100%;
}
li [aria-pressed='true'] {
  border-color: var(--blue);
  background: var(--select);
}
</style>
