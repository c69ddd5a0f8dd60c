<script setup lang="ts">
const ROOMS = [
  { name: 'episodes', label: 'Episodes' },
  { name: 'library', label: 'Library' },
  { name: 'styles', label: 'House styles' },
  { name: 'topics', label: 'Topics' },
]
</script>

<template>
  <header class="channel">
    <RouterLink to="/" class="brand serif">Tidy Reel</RouterLink>
    <nav aria-label="Channel">
      <RouterLink v-for="room in ROOMS" :key="room.name" :to="{ name: room.name }">{{
        room.label
      }}</RouterLink>
    </nav>
    <span class="actions"><slot /></span>
  </header>
</template>

<style scoped>
.channel {
  display: grid;
  grid-template-columns: 1fr auto 1fr;
  align-items: stretch;
  height: 56px;
  border-bottom: 1px solid var(--ink);
}
.brand {
  font-size: 21px;
  font-weight: 600;
  text-decoration: none;
  align-self: center;
}
nav {
  display: flex;
  gap: 26px;
}
nav a {
  display: flex;
  align-items: center;
  text-decoration: none;
  color: var(--soft);
  border-bottom: 2px solid transparent;
  margin-bottom: -1px;
}
nav a.router-link-exact-active {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--blue);
}
.actions {
  justify-self: end;
  align-self: center;
  display: flex;
  gap: 10px;
}
</style>
