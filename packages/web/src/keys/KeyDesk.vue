<script setup lang="ts">
import { laterPart } from '../controls/later-part.ts'
import CommandPalette from './CommandPalette.vue'
import { commandsHere, overRoom, toldHere, useKeyboard, useRoomKeys } from './room-keys.ts'

/** Fetched when it is opened; the list of commands is typed into at once. */
const KeySheet = laterPart(() => import('./KeySheet.vue'))

/** What keys mean, in every room: the list of all commands, and the sheet of keys. */
useKeyboard()
useRoomKeys(() => [
  {
    group: 'Everywhere',
    name: 'All commands',
    keys: ['F2'],
    run: () => (overRoom.value = 'commands'),
    everywhere: true,
  },
  {
    group: 'Everywhere',
    name: 'Sheet of keys',
    keys: ['F1', '?'],
    run: () => (overRoom.value = 'keys'),
    everywhere: true,
  },
])
</script>

<template>
  <CommandPalette
    v-if="overRoom === 'commands'"
    :commands="commandsHere"
    @close="overRoom = undefined"
  />
  <KeySheet
    v-else-if="overRoom === 'keys'"
    :commands="commandsHere"
    :told="toldHere"
    @close="overRoom = undefined"
  />
</template>
