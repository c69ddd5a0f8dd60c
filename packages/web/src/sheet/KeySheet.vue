<script setup lang="ts">
import { ElDialog } from 'element-plus'
import { computed } from 'vue'
import { keyName } from './commands/keys.ts'
import type { SheetCommand } from './commands/sheet-command.ts'

const props = defineProps<{ commands: readonly SheetCommand[] }>()
const emit = defineEmits<{ close: [] }>()
/** As they stand on the printed page, column by column. */
const COLUMNS = [
  ['Go', 'Scenes'],
  ['Play', 'Pictures'],
  ['Write', 'Film'],
] as const
const WRITING = [
  ['Enter', 'splits the scene at the cursor; at the end a new one begins'],
  ['Backspace', 'at the beginning joins it with the scene before'],
  ['Del', 'at the end joins the next one to it'],
  ['↑ ↓', 'go on into the scenes above and below'],
  ['Esc', 'leaves the text as it was'],
] as const
const columns = computed(() =>
  COLUMNS.map((groups) =>
    groups.map((name) => ({
      name,
      commands: props.commands.filter(({ group, keys }) => group === name && keys.length),
    })),
  ),
)
const print = () => window.print()
</script>

<template>
  <ElDialog
    model-value
    title="Sheet of keys"
    width="1080"
    top="4vh"
    class="key-sheet"
    @close="emit('close')"
  >
    <div class="columns">
      <div v-for="(groups, i) in columns" :key="i">
        <section v-for="group in groups" :key="group.name">
          <h3 class="serif">{{ group.name }}</h3>
          <dl>
            <template v-for="command in group.commands" :key="command.name"
              ><dt>
                <kbd v-for="key in command.keys" :key="key">{{ keyName(key) }}</kbd>
              </dt>
              <dd>{{ command.name }}</dd></template
            >
          </dl>
        </section>
        <section v-if="i === columns.length - 1">
          <h3 class="serif">While writing</h3>
          <dl>
            <template v-for="[key, what] in WRITING" :key="key"
              ><dt>
                <kbd>{{ key }}</kbd>
              </dt>
              <dd>{{ what }}</dd></template
            >
          </dl>
        </section>
      </div>
    </div>
    <template #footer
      ><span class="soft"
        >Scenes are copied with Ctrl C and put in with Ctrl V, also into another episode.</span
      >
      <button class="plain link" @click="print">Print</button></template
    >
  </ElDialog>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 34px;
}
section {
  margin-bottom: 14px;
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
