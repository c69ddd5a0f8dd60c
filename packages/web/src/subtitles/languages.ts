import { languageName } from '@tidy-reel/core/text/language-name'

/** Languages that are offered for subtitles, beside those a film has. */
const OFFERED = (
  'ar bg ca cs da de el en es et fa fi fr ga he hi hr hu id is it ja ko lt lv ms nb nl pl pt pt-BR ' +
  'ro ru sk sl sr sv sw th tr uk vi zh zh-Hant'
).split(' ')

/** The same, without some, by their names. */
export const offeredLanguages = (without: readonly string[]): (readonly [string, string])[] =>
  OFFERED.filter((code) => !without.includes(code))
    .map((code) => [code, languageName(code)] as const)
    .sort(([, a], [, b]) => a.localeCompare(b))
