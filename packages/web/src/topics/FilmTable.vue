<script setup lang="ts">
import { clockText } from '@tidy-reel/core/time/time'
import { ago, times } from '@tidy-reel/core/topics/rank-subjects'
import type { OwnedFilm } from '@tidy-reel/core/topics/subjects'

defineProps<{ films: readonly OwnedFilm[] }>()
const SHOWN = 60
const perHour = (views: number) =>
  views >= 10 ? Math.round(views).toLocaleString('en-GB') : views.toFixed(1)
</script>

<template>
  <table>
    <caption class="hidden">
      Films, the fastest for their age first
    </caption>
    <thead>
      <tr>
        <th scope="col">Film</th>
        <th scope="col">Age</th>
        <th scope="col">Views</th>
        <th scope="col">Per hour</th>
        <th scope="col">The usual</th>
        <th scope="col">Length</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="film in films.slice(0, SHOWN)" :key="film.id">
        <th scope="row" class="serif">
          {{ film.title }} <span class="soft">{{ film.own ? '' : film.channel }}</span>
        </th>
        <td>{{ ago(film.ageHours) }}</td>
        <td>{{ film.views.toLocaleString('en-GB') }}</td>
        <td>{{ perHour(film.viewsPerHour) }}</td>
        <td :class="{ high: film.above >= 2 }">{{ times(film.above) }}</td>
        <td>{{ film.seconds ? clockText(film.seconds) : '' }}</td>
      </tr>
    </tbody>
  </table>
  <p v-if="films.length > SHOWN" class="soft">and {{ films.length - SHOWN }} more</p>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
  font-variant-numeric: tabular-nums;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  color: var(--soft);
  font-weight: 400;
  font-size: 13px;
  white-space: nowrap;
  text-align: right;
  padding: 6px 0 6px 14px;
  border-bottom: 1px solid var(--ink);
}
th:first-child {
  text-align: left;
  padding-left: 0;
}
tbody th {
  font-weight: 400;
  font-size: 15.5px;
  text-align: left;
  line-height: 1.25;
}
tbody th .soft {
  font: 13px var(--sans);
}
td,
tbody th {
  padding: 5px 0;
  border-bottom: 1px solid var(--hair);
}
td {
  text-align: right;
  padding-left: 14px;
  white-space: nowrap;
}
.high {
  font-weight: 600;
}
p {
  padding: 8px 0;
}
</style>
