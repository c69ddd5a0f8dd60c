import type { SentenceLength } from '@tidy-reel/core/checks/check-script'
import type { Claim } from '@tidy-reel/core/checks/claim'
import type { Finding } from '@tidy-reel/core/checks/finding'
import type { ReadingEase } from '@tidy-reel/core/checks/reading-ease'
import type { TidyChange } from '@tidy-reel/core/tidy/change'

/** What was found in a script when it was last read through; positions are of `script`. */
export interface ScriptReading {
  script: string
  tidy: TidyChange[]
  findings: Finding[]
  claims: Claim[]
  sentences: SentenceLength[]
  ease: ReadingEase | undefined
}

export const NOTHING_READ: ScriptReading = {
  script: '',
  tidy: [],
  findings: [],
  claims: [],
  sentences: [],
  ease: undefined,
}
