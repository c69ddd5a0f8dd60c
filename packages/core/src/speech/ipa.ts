/** A word given in sounds: IPA between slashes, standing alone. */
export const IPA_WORD = /(?<!\S)\/([^\s/]+)\/(?=[\s.,;:!?…]|$)/gu

/** IPA → [ARPAbet of the CMU dictionary, eSpeak's mnemonic]; vowels carry a stress in ARPAbet. */
const VOWELS: Record<string, [string, string]> = {
  aɪ: ['AY', 'aI'],
  aʊ: ['AW', 'aU'],
  eɪ: ['EY', 'eI'],
  ɔɪ: ['OY', 'OI'],
  oʊ: ['OW', 'oU'],
  əʊ: ['OW', '@U'],
  ɪə: ['IH AH', 'i@'],
  eə: ['EH AH', 'e@'],
  ʊə: ['UH AH', 'U@'],
  ɝ: ['ER', '3:'],
  ɚ: ['ER', '3'],
  ɜː: ['ER', '3:'],
  ɜ: ['ER', '3:'],
  iː: ['IY', 'i:'],
  i: ['IY', 'i'],
  uː: ['UW', 'u:'],
  u: ['UW', 'u:'],
  ɑː: ['AA', 'A:'],
  ɑ: ['AA', 'A:'],
  ɔː: ['AO', 'O:'],
  ɔ: ['AO', 'O:'],
  ɪ: ['IH', 'I'],
  ʊ: ['UH', 'U'],
  ɛ: ['EH', 'E'],
  e: ['EH', 'E'],
  æ: ['AE', 'a'],
  a: ['AE', 'a'],
  ʌ: ['AH', 'V'],
  ə: ['AH', '@'],
  ɒ: ['AA', '0'],
  o: ['OW', 'oU'],
}
const CONSONANTS: Record<string, [string, string]> = {
  tʃ: ['CH', 'tS'],
  dʒ: ['JH', 'dZ'],
  t͡ʃ: ['CH', 'tS'],
  d͡ʒ: ['JH', 'dZ'],
  p: ['P', 'p'],
  b: ['B', 'b'],
  t: ['T', 't'],
  d: ['D', 'd'],
  k: ['K', 'k'],
  ɡ: ['G', 'g'],
  g: ['G', 'g'],
  f: ['F', 'f'],
  v: ['V', 'v'],
  θ: ['TH', 'T'],
  ð: ['DH', 'D'],
  s: ['S', 's'],
  z: ['Z', 'z'],
  ʃ: ['SH', 'S'],
  ʒ: ['ZH', 'Z'],
  h: ['HH', 'h'],
  m: ['M', 'm'],
  n: ['N', 'n'],
  ŋ: ['NG', 'N'],
  l: ['L', 'l'],
  ɹ: ['R', 'r'],
  r: ['R', 'r'],
  ɾ: ['T', 't'],
  j: ['Y', 'j'],
  w: ['W', 'w'],
  x: ['K', 'x'],
}
/** Characters of the longest sound in the tables. */
const LONGEST = 3

interface Sound {
  /** 0 none, 1 main, 2 lesser; undefined for a consonant. */
  stress?: number
  arpabet: string
  espeak: string
}

/** Sounds of an IPA word in order; marks and letters that English does not have are passed over. */
function soundsOf(ipa: string): Sound[] {
  const sounds: Sound[] = []
  let stress = 0
  for (let at = 0; at < ipa.length;) {
    const mark = ipa[at]
    if (mark === 'ˈ' || mark === "'" || mark === 'ˌ') {
      stress = mark === 'ˌ' ? 2 : 1
      at++
      continue
    }
    let length = LONGEST
    while (
      length > 0 &&
      !(ipa.slice(at, at + length) in VOWELS) &&
      !(ipa.slice(at, at + length) in CONSONANTS)
    )
      length--
    const letters = ipa.slice(at, at + Math.max(1, length))
    const vowel = VOWELS[letters]
    const consonant = CONSONANTS[letters]
    if (vowel) {
      sounds.push({ stress, arpabet: vowel[0], espeak: vowel[1] })
      stress = 0
    } else if (consonant) sounds.push({ arpabet: consonant[0], espeak: consonant[1] })
    at += Math.max(1, length)
  }
  // One syllable, or no mark at all: the first vowel is stressed.
  if (sounds.every((sound) => !sound.stress)) {
    const first = sounds.find((sound) => sound.stress !== undefined)
    if (first) first.stress = 1
  }
  return sounds
}

/** A word in ARPAbet. @example arpabetOf('ˈtaɪdi') // => ['T', 'AY1', 'D', 'IY0'] */
export const arpabetOf = (ipa: string): string[] =>
  soundsOf(ipa).flatMap(({ arpabet, stress }) =>
    arpabet
      .split(' ')
      .map((sound, i) => (stress === undefined ? sound : `${sound}${i === 0 ? stress : 0}`)),
  )

/** What eSpeak writes before a sound: nothing, a main stress, a lesser one. */
const ESPEAK_STRESS = ['', "'", ',']

/** A word in eSpeak's mnemonics. @example espeakSoundsOf('ˈtaɪdi') // => "t'aIdi" */
export const espeakSoundsOf = (ipa: string): string =>
  soundsOf(ipa)
    .map(({ espeak, stress }) => `${ESPEAK_STRESS[stress ?? 0] ?? ''}${espeak}`)
    .join('')

/** Whether a word in IPA has any sound that English voices can make. */
export const hasSounds = (ipa: string): boolean => soundsOf(ipa).length > 0
