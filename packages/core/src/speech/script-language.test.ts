import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { languageAdvice } from './language-advice.ts'
import { languageOfText } from './script-language.ts'

/** Written for this test, in the way of explainer scripts; none was used to set a limit. */
const TEXTS: Record<string, string> = {
  de: 'Eine Schleuse hebt das Boot, ohne dass eine Pumpe läuft. Das Wasser kommt von oben und fließt nach unten.',
  fr: "L'écluse soulève le bateau sans la moindre pompe. L'eau arrive d'en haut et descend toute seule vers la mer.",
  es: 'La esclusa levanta el barco sin ninguna bomba. El agua viene de arriba y baja sola hasta el mar.',
  it: "La chiusa solleva la barca senza nessuna pompa. L'acqua arriva dall'alto e scende da sola verso il mare.",
  pt: 'A eclusa levanta o barco sem nenhuma bomba. A água vem de cima e desce sozinha até ao mar.',
  nl: 'De sluis tilt de boot op zonder dat er een pomp draait. Het water komt van boven en loopt vanzelf naar zee.',
  pl: 'Śluza podnosi łódź bez żadnej pompy. Woda przychodzi z góry i sama spływa w stronę morza.',
  sv: 'Slussen lyfter båten utan att någon pump går. Vattnet kommer uppifrån och rinner av sig självt mot havet.',
  fi: 'Sulku nostaa veneen ilman yhtään pumppua. Vesi tulee ylhäältä ja virtaa itsestään kohti merta.',
  hu: 'A zsilip szivattyú nélkül emeli fel a hajót. A víz felülről jön, és magától folyik le a tenger felé.',
  tr: 'Savak, hiçbir pompa olmadan tekneyi kaldırır. Su yukarıdan gelir ve kendiliğinden denize doğru akar.',
  vi: 'Âu thuyền nâng con tàu lên mà không cần máy bơm. Nước chảy từ trên cao xuống và tự tìm đường ra biển.',
  cmn: '船闸不用水泵就能把船抬起来。水从高处来，自己流向大海。',
  ru: 'Шлюз поднимает лодку без всякого насоса. Вода приходит сверху и сама течёт к морю.',
  uk: 'Шлюз піднімає човен без жодної помпи. Вода приходить згори і сама тече до моря.',
  bg: 'Шлюзът повдига лодката без никаква помпа. Водата идва отгоре и сама тече към морето.',
  fa: 'آب‌بند قایق را بدون هیچ پمپی بالا می‌برد. آب از بالا می‌آید و خودش به سوی دریا می‌رود.',
  ar: 'يرفع الهويس القارب من دون أي مضخة. يأتي الماء من الأعلى وينحدر وحده نحو البحر.',
  en: 'The lock lifts the boat without any pump. The water comes from above and finds its own way down to the sea.',
}

describe('languageOfText', () => {
  it.each(Object.entries(TEXTS))('knows %s', (language, text) =>
    expect(languageOfText(text)).toBe(language),
  )
  it('takes no English script for another language, full of foreign names or not', () => {
    const scripts = readFileSync(
      new URL('../../test-sets/matching/scripts.txt', import.meta.url),
      'utf8',
    )
    const films = scripts.split(/^% /m).map((film) =>
      film
        .split('\n')
        .flatMap((line) => /^\w\|([^|]*)/.exec(line)?.[1] ?? [])
        .join(' '),
    )
    const told = films.map((text) => languageOfText(text)).filter(Boolean)
    expect(told.length).toBeGreaterThan(10)
    expect(told.filter((language) => language !== 'en')).toEqual([])
    expect(
      languageOfText(
        'Don Quijote rides from La Mancha to Barcelona. Rocinante, his horse, is old, and Sancho Panza follows on a donkey.',
      ),
    ).toBe('en')
  })
  it('does not guess from a few words', () => {
    expect(languageOfText('')).toBeUndefined()
    expect(languageOfText('Der Turm.')).toBeUndefined()
  })
})

describe('languageAdvice', () => {
  const voices = [
    { id: 'usual', name: 'Salt', language: 'en-US' },
    { id: 'linde', name: 'Linde', language: 'de-DE' },
  ]
  const usual = { id: 'usual', isUsual: true }
  it('gives a script a voice of its language, and says so', () => {
    const { voice, remarks } = languageAdvice(TEXTS['de']!, usual, voices)
    expect(voice).toBe('linde')
    expect(remarks[0]).toBe(
      'The script is German: Linde speaks it now. Others are in the Sound room.',
    )
    expect(remarks[1]).toContain('no word lists for German')
  })
  it('leaves a voice that a person chose, and says what seems wrong', () => {
    const { voice, remarks } = languageAdvice(TEXTS['de']!, { id: 'usual', isUsual: false }, voices)
    expect(voice).toBeUndefined()
    expect(remarks[0]).toContain('seems to be German, but Salt speaks English')
  })
  it('says that nobody speaks it where that is so', () =>
    expect(languageAdvice(TEXTS['hu']!, usual, voices).remarks[0]).toContain(
      'no voice here that speaks Hungarian',
    ))
  it('says nothing of an English film', () =>
    expect(languageAdvice(TEXTS['en']!, usual, voices)).toEqual({ remarks: [] }))
})
