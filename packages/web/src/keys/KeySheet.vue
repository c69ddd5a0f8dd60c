<script setup lang="ts">
import { groupBy } from 'lodash-es'
import { computed } from 'vue'
import PanelDialog from '../controls/PanelDialog.vue'
import type { KeyCommand, ToldKeys } from './key-command.ts'
import { keyName } from './key-names.ts'

/** What keys do where the person is, as they hear them. */
const props = defineProps<{ commands: readonly KeyCommand[]; told: readonly ToldKeys[] }>()
const emit = defineEmits<{ close: [] }>()
const groups = computed(() =>
  Object.entries(
    groupBy(
      props.commands.filter(({ keys }) => keys.length),
      ({ group }) => group,
    ),
  ),
)
const print = () => window.print()
</script>

<template>
  <PanelDialog
    model-value
    title="Sheet of keys"
    width="1080"
    top="2vh"
    class="key-sheet"
    @close="emit('close')"
  >
    <div class="columns">
      <section v-for="[group, commandsOf] in groups" :key="group">
        <h3 class="serif">{{ group }}</h3>
        <dl>
          <template v-for="command in commandsOf" :key="command.name"
            ><dt>
              <kbd v-for="key in command.keys" :key="key">{{ keyName(key) }}</kbd>
            </dt>
            <dd>{{ command.name }}</dd></template
          >
        </dl>
      </section>
      <section v-for="{ group, lines } in told" :key="group">
        <h3 class="serif">{{ group }}</h3>
        <dl>
          <template v-for="[key, what] in lines" :key="key"
            ><dt>
              <kbd>{{ key }}</kbd>
            </dt>
            <dd>{{ what }}</dd></template
          >
        </dl>
      </section>
    </div>
    <template #footer><button class="plain link" @click="print">Print</button></template>
  </PanelDialog>
</template>

<style scoped>
.columns {
  columns: 290px 3;
  column-gap: 34px;
}
section {
  break-inside: avoid;
  padding-bottom: 14px;
}
h3 {
  font-size: 17px;
  font-weight: 600;
  border-bottom: 1px solid var(--hair);
  margin-bottom: 5px;
}
dl {
  display: grid;
  grid-template-columns: 96px 1fr;
  gap: 3px 10px;
  margin: 0;
  font-size: 13.5px;
  line-height: 1.25;
}
dt {
  text-align: right;
}
dd {
  margin: 0;
}
kbd {
  font: 11.5px var(--mono);
  border: 1px solid var(--hair);
  padding: 0 5px;
  background: var(--ground);
  margin-left: 4px;
  white-space: nowrap;
}
.link {
  margin-left: 16px;
}
</style>

<style>
@media print {
  body:has(.key-sheet) #app {
    visibility: hidden;
  }
  .key-sheet {
    visibility: visible;
    position: absolute;
    inset: 0;
    width: auto !important;
    margin: 0 !important;
    border: 0;
  }
  .key-sheet footer,
  .key-sheet .el-dialog__headerbtn {
    display: none;
  }
}
</style>
