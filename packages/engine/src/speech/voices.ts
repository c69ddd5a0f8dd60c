import { certain } from '@tidy-reel/core/faults/certain'
import { type Language, LANGUAGES } from '@tidy-reel/core/speech/language'

export const GENDERS = ['female', 'male', 'unknown'] as const
export const AGES = ['young', 'adult', 'older', 'unknown'] as const

export interface Voice {
  id: string
  name: string
  engine: 'flite' | 'festival' | 'espeak-ng' | 'program' | 'service' | 'model'
  /** What its engine calls it. */
  speaks: string
  /** BCP 47. */
  language: string
  accent: string
  gender: (typeof GENDERS)[number]
  age: (typeof AGES)[number]
  character: string
  /**
   * How natural it sounds: 5 like a person reading, 3 clearly a machine and pleasant for long, 1
   * hard to follow.
   */
  rating: number
  /**
   * How much slower than by itself the engine speaks at speed 1, measured to bring all voices to
   * `CHARACTERS_PER_SECOND`.
   */
  slower: number
  /**
   * Decibels it has more between 120 and 260 Hz, against 400 to 500, than the other voices: what
   * booms on small loudspeakers.
   */
  boom?: number
  /** The whole voice raised or lowered, formants with it: below 1 larger and older. */
  shift?: number
}

type Known = Pick<Voice, 'id' | 'name' | 'speaks' | 'gender' | 'age' | 'character' | 'slower'> &
  Partial<Voice>

const flite = (voice: Known): Voice => ({
  engine: 'flite',
  language: 'en-US',
  accent: 'American',
  rating: 3,
  ...voice,
})
const festival = (voice: Known): Voice => ({
  engine: 'festival',
  language: 'en-US',
  accent: 'American',
  rating: 2,
  ...voice,
})
const espeak = (voice: Known): Voice => ({
  engine: 'espeak-ng',
  language: 'en-GB',
  accent: 'English',
  rating: 2,
  ...voice,
})

/** English voices of Debian's speech engines, the most pleasant first. */
const ENGLISH: readonly Voice[] = [
  flite({
    id: 'flite-slt',
    name: 'Salt',
    speaks: 'slt',
    gender: 'female',
    age: 'adult',
    character: 'clear, even',
    slower: 1.228,
    boom: 9,
  }),
  flite({
    id: 'flite-slt-low',
    name: 'Sable',
    speaks: 'slt',
    gender: 'female',
    age: 'older',
    character: 'calm, low',
    slower: 1.228,
    boom: 8,
    shift: 0.93,
  }),
  flite({
    id: 'flite-rms',
    name: 'Rime',
    speaks: 'rms',
    gender: 'male',
    age: 'adult',
    character: 'low, unhurried',
    slower: 1.066,
  }),
  flite({
    id: 'flite-rms-deep',
    name: 'Ridge',
    speaks: 'rms',
    gender: 'male',
    age: 'older',
    character: 'deep, steady',
    slower: 1.066,
    shift: 0.92,
  }),
  flite({
    id: 'flite-awb',
    name: 'Awl',
    speaks: 'awb',
    language: 'en-GB',
    accent: 'Scottish',
    gender: 'male',
    age: 'adult',
    character: 'brisk',
    slower: 1.19,
  }),
  flite({
    id: 'flite-awb-deep',
    name: 'Alder',
    speaks: 'awb',
    language: 'en-GB',
    accent: 'Scottish',
    gender: 'male',
    age: 'older',
    character: 'weathered, brisk',
    slower: 1.19,
    shift: 0.91,
  }),
  festival({
    id: 'festival-slt',
    name: 'Slate',
    speaks: 'cmu_us_slt_arctic_hts',
    gender: 'female',
    age: 'adult',
    character: 'soft, statistical',
    rating: 3,
    slower: 1.182,
    boom: 6,
  }),
  festival({
    id: 'festival-slt-high',
    name: 'Wren',
    speaks: 'cmu_us_slt_arctic_hts',
    gender: 'female',
    age: 'young',
    character: 'light, quick',
    rating: 3,
    slower: 1.182,
    boom: 6,
    shift: 1.07,
  }),
  festival({
    id: 'festival-kal',
    name: 'Keel',
    speaks: 'kal_diphone',
    gender: 'male',
    age: 'adult',
    character: 'plain, pieced together',
    slower: 1.232,
  }),
  festival({
    id: 'festival-ked',
    name: 'Kiln',
    speaks: 'ked_diphone',
    gender: 'male',
    age: 'adult',
    character: 'dry, pieced together',
    slower: 1.246,
  }),
  espeak({
    id: 'espeak-gb',
    name: 'Ebb',
    speaks: 'en',
    gender: 'male',
    age: 'adult',
    character: 'crisp, synthetic',
    slower: 1.161,
  }),
  espeak({
    id: 'espeak-rp',
    name: 'Elder',
    speaks: 'en-gb-x-rp+m7',
    accent: 'Received Pronunciation',
    gender: 'male',
    age: 'older',
    character: 'formal, synthetic',
    slower: 1.147,
  }),
  espeak({
    id: 'espeak-scotland',
    name: 'Esk',
    speaks: 'en-gb-scotland',
    accent: 'Scottish',
    gender: 'male',
    age: 'adult',
    character: 'crisp, synthetic',
    slower: 1.179,
  }),
  espeak({
    id: 'espeak-lancaster',
    name: 'Ellen',
    speaks: 'en-gb-x-gbclan+f2',
    accent: 'Lancashire',
    gender: 'female',
    age: 'adult',
    character: 'crisp, synthetic',
    slower: 1.092,
  }),
  espeak({
    id: 'espeak-us-f',
    name: 'Elm',
    speaks: 'en-us+f3',
    language: 'en-US',
    accent: 'American',
    gender: 'female',
    age: 'adult',
    character: 'bright, synthetic',
    slower: 1.129,
  }),
  espeak({
    id: 'espeak-caribbean',
    name: 'Eddy',
    speaks: 'en-029+m3',
    language: 'en-029',
    accent: 'Caribbean',
    gender: 'male',
    age: 'adult',
    character: 'crisp, synthetic',
    slower: 1.161,
  }),
]

/** Varieties worth a voice of their own. */

const VARIETIES: readonly [id: string, speaks: string, language: string, accent: string][] = [
  ['es-419', 'es-419', 'es-419', 'Latin American'],
  ['pt-br', 'pt-br', 'pt-BR', 'Brazilian'],
  ['fr-be', 'fr-be', 'fr-BE', 'Belgian'],
  ['fr-ch', 'fr-ch', 'fr-CH', 'Swiss'],
]

/**
 * A low and a light voice for every other language; what is crisp and synthetic in English is so in
 * all.
 */
function otherLanguages(): Voice[] {
  const plain = (Object.keys(LANGUAGES) as Language[])
    .filter((language) => language !== 'en')
    .map((language) => [language, language, language, 'standard'] as const)
  return [...plain, ...VARIETIES].flatMap(([id, speaks, language, accent]) => [
    espeak({
      id: `espeak-${id}`,
      name: 'Ebb',
      speaks,
      language,
      accent,
      gender: 'male',
      age: 'adult',
      character: 'crisp, synthetic',
      slower: 1.13,
    }),
    espeak({
      id: `espeak-${id}-f`,
      name: 'Elm',
      speaks: `${speaks}+f2`,
      language,
      accent,
      gender: 'female',
      age: 'adult',
      character: 'bright, synthetic',
      slower: 1.13,
    }),
  ])
}

/** Voices of Debian's speech engines. */
export const BUILT_IN_VOICES: readonly Voice[] = [...ENGLISH, ...otherLanguages()]

/** The voice of last resort for a text in other letters than its voice knows. */
export const foreignVoice = (language: Language): Voice =>
  certain(BUILT_IN_VOICES.find(({ id }) => id === `espeak-${language}`))
