import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { baseOf } from '@tidy-reel/core/speech/language'
import type { VoiceView } from '@tidy-reel/core/views/speech'
import { scriptApi } from '../api/script.ts'
import { speechApi } from '../api/speech.ts'

export interface VoiceFilter {
  /** '' is any, in each. */
  language: string
  gender: string
  age: string
  accent: string
  favourites: boolean
}

const names = new Intl.DisplayNames(['en'], { type: 'language' })
export const languageName = (language: string) =>
  names.of(language === 'cmn' ? 'zh' : language) ?? language

/** The voices there are, those a person likes, and which of them are looked at. */
export function useVoices(language: string) {
  const voices = shallowRef<VoiceView[]>([])
  const favourites = ref<string[]>([])
  const fault = ref('')
  const filter = useLocalStorage<VoiceFilter>(
    'tidy-voice-filter',
    { language, gender: '', age: '', accent: '', favourites: false },
    { mergeDefaults: true },
  )
  onMounted(async () => {
    try {
      const [list, channel] = await Promise.all([speechApi.voices(), scriptApi.channel()])
      voices.value = list.voices
      fault.value = list.fault ?? ''
      favourites.value = channel.favouriteVoices
    } catch (cause) {
      fault.value = (cause as Error).message
    }
  })
  const byId = computed(() => new Map(voices.value.map((voice) => [voice.id, voice])))
  const languages = computed(() =>
    [...new Set(voices.value.map((voice) => baseOf(voice.language)))]
      .map((code) => ({ code, name: languageName(code) }))
      .sort(
        (a, b) => Number(b.code === 'en') - Number(a.code === 'en') || a.name.localeCompare(b.name),
      ),
  )
  const inLanguage = computed(() =>
    voices.value.filter(
      (voice) => !filter.value.language || baseOf(voice.language) === filter.value.language,
    ),
  )
  const accents = computed(() => [...new Set(inLanguage.value.map(({ accent }) => accent))].sort())
  const shown = computed(() => {
    const { gender, age, accent, favourites: liked } = filter.value
    return inLanguage.value.filter(
      (voice) =>
        (!gender || voice.gender === gender) &&
        (!age || voice.age === age) &&
        (!accent || voice.accent === accent) &&
        (!liked || favourites.value.includes(voice.id)),
    )
  })
  async function like(id: string) {
    favourites.value = favourites.value.includes(id)
      ? favourites.value.filter((known) => known !== id)
      : [...favourites.value, id]
    await speechApi
      .setFavouriteVoices(favourites.value)
      .catch((cause: Error) => (fault.value = cause.message))
  }
  return { voices, byId, shown, languages, accents, filter, favourites, like, fault }
}
