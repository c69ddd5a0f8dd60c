<script setup lang="ts">
import { ElDialog } from 'element-plus'
import { nextTick, onMounted } from 'vue'

defineOptions({ inheritAttrs: false })

/** Element Plus heads its dialogs with a `header`, which outside of a section is the page's own. */
async function unhead() {
  await nextTick()
  for (const head of document.querySelectorAll('header.el-dialog__header'))
    head.setAttribute('role', 'presentation')
}
onMounted(unhead)
</script>

<template>
  <ElDialog v-bind="$attrs" @open="unhead" @opened="unhead">
    <slot />
    <template v-if="$slots['footer']" #footer><slot name="footer" /></template>
  </ElDialog>
</template>
