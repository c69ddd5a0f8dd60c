<script setup lang="ts">
import { notice } from './controls/notice.ts'
import KeyDesk from './keys/KeyDesk.vue'
import { toRoom } from './keys/to-room.ts'
import { unreached } from './router.ts'
</script>

<template>
  <nav aria-label="Skip"><a class="skip" href="#" @click.prevent="toRoom">Skip to the room</a></nav>
  <KeyDesk />
  <p v-if="unreached" class="unreached" role="alert">
    This room could not be loaded: Tidy Reel does not answer, or has been renewed meanwhile.
    <a class="link" :href="unreached">Try again</a>
  </p>
  <p v-else-if="notice" class="unreached" role="alert">
    {{ notice }} <button class="plain link" @click="notice = ''">Dismiss</button>
  </p>
  <RouterView />
</template>

<style scoped>
.skip {
  position: fixed;
  top: -60px;
  left: 12px;
  z-index: 40;
  padding: 8px 14px;
  background: var(--ink);
  color: var(--on-ink);
}
.skip:focus {
  top: 8px;
}
.unreached {
  position: fixed;
  inset: 0 0 auto;
  z-index: 30;
  margin: 0;
  padding: 10px 20px;
  background: var(--paper);
  border-bottom: 2px solid var(--red);
}
</style>
