const names = new Intl.DisplayNames('en', { type: 'language' })

/** A language as a person reads it. @example languageName('pt-BR') // => 'Brazilian Portuguese' */
export function languageName(language: string): string {
  try {
    return names.of(language) ?? language
  } catch {
    return language
  }
}
