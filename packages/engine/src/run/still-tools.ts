/**
 * sharp, which reads and writes stills. It is loaded with the first picture that is looked at: its
 * library takes some 35 MB, which a server that nobody looks at does without.
 */
export const stillTools = async () => (await import('sharp')).default
