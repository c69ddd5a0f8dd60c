/** `tries`: how often it was asked for before; the browser would not ask the same address again. */
export const thumbnail = (id: string, tries = 0) =>
  `/api/pictures/${encodeURIComponent(id)}/thumbnail${tries ? `?again=${tries}` : ''}`

/** Of a clip, playing. */
export const preview = (id: string) => `/api/pictures/${encodeURIComponent(id)}/preview`

export const proxy = (id: string) => `/api/proxies/${encodeURIComponent(id)}`

/** A still as it is laid over another. */
export const cutout = (id: string) => `/api/pictures/${encodeURIComponent(id)}/cutout`

/** All letters of Chinese, Japanese and Korean: 20 MB, asked for by films that have them. */
export const eastAsianFont = '/api/fonts/east-asian'

export const ownFont = (id: string) => `/api/fonts/${id}`

export const bedSound = (hash: string) => `/api/beds/${hash}`

export const effectSound = (hash: string) => `/api/sounds/${hash}/played`

export const voiceFile = (id: string, name: string) => `/api/episodes/${id}/voice/${name}`

export const takeSound = (hash: string) => `/api/takes/${hash}`

export const renderFile = (id: string, name: string, save?: string) =>
  `/api/renders/${id}/${name}${save ? `?save=${encodeURIComponent(save)}` : ''}`

export const copyFile = (id: string, name: string, save: string) =>
  `/api/renders/${id}/copies/${name}?save=${encodeURIComponent(save)}`

/** Of what a film's check found, the frame. */
export const findingFrame = (id: string, found: number) =>
  `/api/renders/${id}/findings/${found}/frame`
