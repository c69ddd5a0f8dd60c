<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { onMounted, ref } from 'vue'
import { type WriterView } from '@tidy-reel/core/writing/brief'
import { writingApi } from '../../api/writing.ts'

const props = defineProps<{
  /** What it does, before its name. */
  reads: string
  /** What does it where no service is set. */
  builtIn: string
}>()
const emit = defineEmits<{
  /** Who it is that does it: the service's host, or nobody. */
  set: [host: string | undefined]
}>()
const now = ref<WriterView['service']>(null)
const open = ref(false)
const address = ref('')
const model = ref('')
const key = ref('')
const problem = ref('')

function show({ service }: WriterView) {
  now.value = service
  emit('set', service ? new URL(service.address).host : undefined)
  address.value = service?.address ?? ''
  model.value = service?.model ?? ''
  key.value = ''
}
onMounted(() => writingApi.writer().then(show, () => undefined))
async function set(service: { address: string; model: string; key?: string } | null) {
  problem.value = ''
  try {
    await writingApi.setWriter(service)
    show(await writingApi.writer())
    open.value = false
  } catch (cause) {
    problem.value = (cause as Error).message
  }
}
</script>

<template>
  <div class="writer">
    <p class="soft">
      {{ props.reads }} {{ now ? `the service at ${now.address}` : props.builtIn }}.
      <button class="plain link" :aria-expanded="open" @click="open = !open">
        {{ open ? 'Leave it so' : 'Change' }}
      </button>
    </p>
    <form v-if="open" @submit.prevent="set({ address, model, ...(key ? { key } : {}) })">
      <p>
        A language-model service of your own that takes chat messages over HTTP. What it is asked
        about is sent there: your brief with its sources, or your script.
      </p>
      <ElInput
        v-model="address"
        aria-label="Address of the service"
        placeholder="https:// address for chat messages"
      />
      <ElInput v-model="model" aria-label="Model" placeholder="name of the model" />
      <ElInput
        v-model="key"
        type="password"
        aria-label="Key"
        autocomplete="off"
        :placeholder="now?.hasKey ? 'the key that is kept' : 'key'"
      />
      <p v-if="problem" class="red" role="alert">{{ problem }}</p>
      <span
        ><ElButton native-type="submit" :disabled="!address.trim()">Use this service</ElButton>
        <ElButton v-if="now" @click="set(null)">Do without it</ElButton></span
      >
    </form>
  </div>
</template>

<style scoped>
.writer,
form {
  display: grid;
  gap: 8px;
}
form {
  border: 1px solid var(--hair);
  padding: 14px;
}
</style>
