import { type Instrumentation, type Mood, MOODS } from '../../style/film-choices.ts'
import { LEADS } from './asked-music.ts'

/** Words that stand for a mood, beside its own name. */
const MOOD_WORDS: Record<Mood, string> = {
  calm: 'quiet peaceful gentle soft slow ambient relaxed relaxing',
  warm: 'homely cosy cozy kind friendly acoustic tender',
  bright: 'happy cheerful upbeat light sunny uplifting optimistic joyful',
  solemn: 'grave serious sombre somber mournful funeral',
  curious: 'mystery mysterious wonder question questioning investigative',
  playful: 'funny comic quirky whimsical bouncy humorous',
  dreamy: 'floating ethereal dream airy underwater space',
  night: 'nocturnal late jazz jazzy smoky',
  wistful: 'sad melancholy melancholic nostalgic longing sentimental',
  tense: 'suspense suspenseful dark dramatic ominous danger storm threat',
  busy: 'fast energetic driving urgent city machines action',
  grand: 'epic majestic heroic triumphant orchestral cinematic noble',
  none: 'silence silent off stop stops out nothing',
}
const MOOD_BY_WORD = new Map<string, Mood>(
  MOODS.flatMap((mood) =>
    [mood, ...MOOD_WORDS[mood].split(' ')].map((word) => [word, mood] as const),
  ),
)

/** The mood that words name, by its name or one that means much the same. */
export function moodIn(words: string): Mood | undefined {
  const said = words.toLowerCase()
  if (/^no(?:\s+music)?$/.test(said)) return 'none'
  const found = (said.match(/\p{L}+/gu) ?? []).map((word) => MOOD_BY_WORD.get(word))
  return found.find((mood) => mood !== undefined)
}

/** Words that say no more than that there is music. */
export const namesNothing = (words: string) =>
  /^(?:(?:the|some|film['’]s|background|music|theme|score|as before|plays?|up|in|starts?|begins?|continues)\b\s*)*$/i.test(
    words,
  )

/** Who leads, where words name an instrument. */
export const leadIn = (words: string): Instrumentation | undefined =>
  (words.toLowerCase().match(/\p{L}+/gu) ?? []).map((word) => LEADS[word]).find(Boolean)
