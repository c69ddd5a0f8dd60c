import { spokenText } from '@tidy-reel/core/text/spoken'
import { print } from './print.ts'

/** What a voice is given for a text. */
export function spokenCommand({
  text,
  language,
  json,
}: {
  text: string
  language: string
  json?: boolean
}) {
  const spoken = spokenText(text, { language: language === 'en' ? 'en-US' : language })
  print(json ? { spoken } : spoken)
}
