import { computed, ref, shallowRef } from 'vue'
import type { OwnedFilm } from '@tidy-reel/core/topics/subjects'
import type { Idea, TopicsView } from '@tidy-reel/core/topics/topic-views'
import { topicsApi } from '../api/topics.ts'

export const AGES = {
  'any age': Infinity,
  'last month': 31,
  'last 3 months': 92,
  'last year': 366,
} as const
export type Age = keyof typeof AGES
export const WHOSE = ['all channels', 'mine', 'others'] as const

/** The room of topics: what is followed, what is chosen in it, and ideas. */
export function useTopics() {
  const data = shallowRef<TopicsView>()
  const fault = ref('')
  const subject = ref('')
  const words = ref('')
  const whose = ref<(typeof WHOSE)[number] | (string & {})>('all channels')
  const age = ref<Age>('any age')

  async function load() {
    try {
      data.value = await topicsApi.topics()
      fault.value = ''
    } catch (cause) {
      fault.value = (cause as Error).message
    }
  }
  /** Does something and shows what came of it; a failure is told and changes nothing. */
  async function change(done: () => Promise<unknown>): Promise<boolean> {
    try {
      await done()
      await load()
      return true
    } catch (cause) {
      fault.value = (cause as Error).message
      return false
    }
  }
  const chosen = computed(() => data.value?.subjects.find(({ name }) => name === subject.value))
  const ofSubject = computed(
    () => new Set([...(chosen.value?.own ?? []), ...(chosen.value?.others ?? [])]),
  )
  function isWhose({ own, channel }: OwnedFilm): boolean {
    if (whose.value === 'all channels') return true
    if (whose.value === 'mine') return own
    return whose.value === 'others' ? !own : channel === whose.value
  }
  const fits = (film: OwnedFilm) =>
    isWhose(film) &&
    film.ageHours <= AGES[age.value] * 24 &&
    film.title.toLowerCase().includes(words.value.trim().toLowerCase())
  const films = computed(() => (data.value?.films ?? []).filter(fits))
  /**
   * The films of the list: those of the chosen subject, else all, the fastest for their age first.
   */
  const listed = computed(() =>
    films.value
      .filter(({ id }) => !chosen.value || ofSubject.value.has(id))
      .sort((a, b) => b.above - a.above),
  )
  const subjects = computed(() => {
    const shown = new Set(films.value.map(({ id }) => id))
    return (data.value?.subjects ?? []).filter(({ own, others }) =>
      [...own, ...others].some((id) => shown.has(id)),
    )
  })
  return {
    data,
    fault,
    subject,
    words,
    whose,
    age,
    chosen,
    ofSubject,
    films,
    listed,
    subjects,
    load,
    change,
    addIdea: (title: string, about: string, notes: string) =>
      change(() => topicsApi.addIdea({ title, notes, subject: about, state: 'todo' })),
    changeIdea: (idea: Idea, fields: Partial<Idea>) =>
      change(() => topicsApi.changeIdea(idea.id, fields)),
    removeIdea: (idea: Idea) => change(() => topicsApi.removeIdea(idea.id)),
  }
}
