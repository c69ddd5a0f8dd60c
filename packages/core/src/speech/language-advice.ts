import { baseOf } from './language.ts'
import { languageName, languageOfText } from './script-language.ts'

interface Speaker {
  id: string
  name: string
  language: string
}

/** What follows from the language a script is written in. */
export interface LanguageAdvice {
  /** Who is to speak it, where nobody has chosen a voice and the usual one speaks another language. */
  voice?: string
  /** What a person should know, in sentences. */
  remarks: string[]
}

/**
 * Looks whether a film's voice speaks the language of its script.
 *
 * @param text   all that is spoken
 * @param chosen the film's voice; `isUsual`: it is the one every film begins with
 * @param voices those there are, the best of each language first
 * @returns no remarks where the script is English, spoken by an English voice, or cannot be told
 */
export function languageAdvice(
  text: string,
  chosen: { id: string; isUsual: boolean },
  voices: readonly Speaker[],
): LanguageAdvice {
  const found = languageOfText(text)
  if (!found) return { remarks: [] }
  const voice = voices.find(({ id }) => id === chosen.id)
  const speaks = (speaker: Speaker) => baseOf(speaker.language) === found
  const name = languageName(found)
  const pictures =
    found === 'en'
      ? []
      : [
          `There are no word lists for ${name} here: its pictures go by names, numbers and the ` +
            'directions in the script. Look them through.',
        ]
  if (!voice || speaks(voice)) return { remarks: pictures }
  const own = voices.find(speaks)
  if (own && chosen.isUsual)
    return {
      voice: own.id,
      remarks: [
        `The script is ${name}: ${own.name} speaks it now. Others are in the Sound room.`,
        ...pictures,
      ],
    }
  const other = own
    ? `${own.name} in the Sound room speaks ${name}.`
    : `There is no voice here that speaks ${name}.`
  return {
    remarks: [
      `The script seems to be ${name}, but ${voice.name} speaks ` +
        `${languageName(baseOf(voice.language))}. ${other}`,
      ...pictures,
    ],
  }
}
