<script setup lang="ts">
import { usePreferredDark } from '@vueuse/core'
import {
  Chart,
  type ChartDataset,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { certain } from '@tidy-reel/core/faults/certain'
import { medianLine } from '@tidy-reel/core/topics/pace'
import { times } from '@tidy-reel/core/topics/rank-subjects'
import type { OwnedFilm } from '@tidy-reel/core/topics/subjects'

const props = defineProps<{
  films: readonly OwnedFilm[]
  marked: ReadonlySet<string>
  own: string
}>()
Chart.register(
  ScatterController,
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  LogarithmicScale,
  Tooltip,
)
const canvas = ref<HTMLCanvasElement>()
const dark = usePreferredDark()
const line = computed(() => medianLine(props.films.filter(({ own }) => own)))
let chart: Chart | undefined

interface Dot {
  x: number
  y: number
  film: OwnedFilm
}
const dots = (films: readonly OwnedFilm[]): Dot[] =>
  films
    .filter(({ views }) => views > 0)
    .map((film) => ({ x: film.ageHours / 24, y: film.views, film }))

function draw() {
  const colour = (name: string) => getComputedStyle(certain(canvas.value)).getPropertyValue(name)
  const [ink, soft, hair, blue, paper] = ['--ink', '--soft', '--hair', '--blue', '--paper'].map(
    colour,
  ) as [string, string, string, string, string]
  const rest = props.films.filter(({ id }) => !props.marked.has(id))
  const set = (
    label: string,
    films: readonly OwnedFilm[],
    fill: string,
    edge: string,
    radius: number,
  ): ChartDataset<'scatter', Dot[]> => ({
    label,
    data: dots(films),
    backgroundColor: fill,
    borderColor: edge,
    borderWidth: 1.2,
    pointRadius: radius,
    pointHoverRadius: radius + 2,
  })
  const datasets = [
    set(
      'this subject',
      props.films.filter(({ id }) => props.marked.has(id)),
      blue,
      blue,
      4.5,
    ),
    set(
      'yours',
      rest.filter(({ own }) => own),
      ink,
      ink,
      3.2,
    ),
    set(
      'others',
      rest.filter(({ own }) => !own),
      paper,
      soft,
      3,
    ),
    {
      type: 'line',
      label: 'your median',
      data: line.value.map(({ ageHours, views }) => ({ x: ageHours / 24, y: Math.max(1, views) })),
      borderColor: ink,
      borderWidth: 1.2,
      borderDash: [5, 3],
      pointRadius: 0,
      pointHitRadius: 0,
      tension: 0.3,
    },
  ] as ChartDataset<'scatter', Dot[]>[]
  const font = { family: 'IBM Plex Mono', size: 11 }
  const axis = (text: string) => ({
    type: 'logarithmic' as const,
    title: { display: true, text, color: soft, font: { family: 'Source Sans 3', size: 13 } },
    grid: { color: hair, lineWidth: 0.6 },
    border: { color: ink },
    ticks: {
      color: soft,
      font,
      maxTicksLimit: 6,
      callback: (value: string | number) =>
        /^[125]0*$/.test(String(Number(value))) ? Number(value).toLocaleString('en-GB') : '',
    },
  })
  chart?.destroy()
  chart = new Chart(certain(canvas.value), {
    type: 'scatter',
    data: { datasets },
    options: {
      animation: false,
      maintainAspectRatio: false,
      scales: { x: axis('days since it was published'), y: axis('views') },
      plugins: {
        tooltip: {
          displayColors: false,
          callbacks: {
            label: ({ raw }) => {
              const { film } = raw as Partial<Dot>
              return film
                ? [
                    film.title,
                    `${film.channel}: ${film.views.toLocaleString('en-GB')} views`,
                    `${times(film.above)} the usual at its age`,
                  ]
                : ''
            },
          },
        },
      },
    },
  })
}
onMounted(draw)
onBeforeUnmount(() => chart?.destroy())
watch(() => [props.films, props.marked, dark.value], draw)
</script>

<template>
  <figure>
    <div class="plot">
      <canvas
        ref="canvas"
        role="img"
        :aria-label="`Views against age of ${films.length} films, with the median of ${own || 'your channel'}`"
      />
    </div>
    <figcaption class="soft">
      <span class="key mine">yours</span><span class="key others">others</span
      ><span class="key subject">the chosen subject</span
      ><span class="key median">the median of {{ own || 'your channel' }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  padding: 14px 20px 8px;
  gap: 6px;
}
.plot {
  position: relative;
  min-height: 0;
}
figcaption {
  display: flex;
  gap: 20px;
  font-size: 13px;
}
.key::before {
  content: '';
  display: inline-block;
  width: 8px;
  height: 8px;
  border-radius: 50%;
  margin-right: 6px;
  border: 1.2px solid var(--ink);
  background: var(--ink);
}
.others::before {
  background: var(--paper);
  border-color: var(--soft);
}
.subject::before {
  background: var(--blue);
  border-color: var(--blue);
}
.median::before {
  width: 18px;
  height: 0;
  border-width: 0 0 1.5px;
  border-style: dashed;
  border-radius: 0;
  background: none;
  vertical-align: 4px;
}
</style>
