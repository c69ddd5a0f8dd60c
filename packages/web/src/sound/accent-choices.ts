/** Sounds that come by themselves, as a person chooses them. */
export const ACCENT_CHOICES = [
  ['transitions', 'a whoosh at transitions'],
  ['cards', 'a click at what is drawn'],
] as const
