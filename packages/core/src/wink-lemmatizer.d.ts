declare module 'wink-lemmatizer' {
  const lemmatizer: Record<'noun' | 'verb' | 'adjective', (word: string) => string>
  export default lemmatizer
}
