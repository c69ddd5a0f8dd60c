/**
 * What a tidy pass finds, in the order it looks; what each is called and why it should not be
 * spoken as it stands.
 */
export const TIDY_KINDS = {
  note: { name: 'working notes', why: 'A note to the writer, not to the audience.' },
  footnote: {
    name: 'footnotes and sources',
    why: 'A reference is for readers; nobody can hear it.',
  },
  table: {
    name: 'tables',
    why: 'A table cannot be spoken; its narration and pictures become scenes.',
  },
  heading: { name: 'headings', why: 'A heading names a chapter; it is shown, never spoken.' },
  sceneNumber: {
    name: 'scene numbers',
    why: 'Scenes are counted by the sheet; their numbers are not spoken.',
  },
  timestamp: {
    name: 'time stamps',
    why: 'The voice decides the times; a stamp would be read aloud.',
  },
  speaker: { name: 'speaker labels', why: 'A label says who speaks; it is not spoken.' },
  direction: {
    name: 'directions',
    why: 'A direction is for the picture, the sound or the reader, not for the audience.',
  },
  counting: {
    name: 'counting',
    why: 'The same count is written in several ways; a voice would read each differently.',
  },
  bullet: { name: 'lists', why: 'A list is for the eye; the ear needs sentences.' },
  link: { name: 'links', why: 'An address cannot be clicked in a film.' },
  markdown: { name: 'markup', why: 'Marks of another program; a voice may read them aloud.' },
  emoji: { name: 'emoji', why: 'No voice can say it.' },
  call: {
    name: 'calls to subscribe',
    why: 'A call to like or subscribe. It stays, as it is often meant; take it out if it is not.',
    asks: true,
  },
  quotes: { name: 'quotation marks', why: 'Two kinds of quotation marks are mixed.' },
  dash: { name: 'dashes', why: 'Hyphens stand for a dash; a voice may not pause at them.' },
  abbreviation: { name: 'short forms', why: 'Few voices read this short form well.' },
  symbol: { name: 'signs', why: 'Few voices read this sign well.' },
  doubled: { name: 'doubled words', why: 'The same word stands twice.' },
  punctuation: { name: 'punctuation', why: 'The punctuation would break the reading.' },
  long: {
    name: 'long sentences',
    why: 'This sentence would stay on the screen for too long; here it can be parted.',
  },
} as const

export type TidyKind = keyof typeof TIDY_KINDS

/** Whether a person decides on each change of a kind: none is carried out with all others. */
export const asksFirst = (kind: TidyKind): boolean => 'asks' in TIDY_KINDS[kind]

/** Of some changes those that need not be asked for one by one. */
export const unasked = <T extends { kind: TidyKind }>(changes: readonly T[]): T[] =>
  changes.filter(({ kind }) => !asksFirst(kind))
