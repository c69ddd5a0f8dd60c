import type { RefusalReason } from '@tidy-reel/core/document/document'

/** Why a picture is turned down, as people say it, with its key. */
export const REASONS: readonly { reason: RefusalReason; key: string; label: string }[] = [
  { reason: 'sense', key: 'w', label: 'wrong meaning' },
  { reason: 'place', key: 'p', label: 'wrong place or time' },
  { reason: 'ugly', key: 'u', label: 'ugly' },
  { reason: 'seen', key: 'o', label: 'seen too often' },
  { reason: 'people', key: 'e', label: 'people in it' },
  { reason: 'style', key: 'm', label: 'not my style' },
]
