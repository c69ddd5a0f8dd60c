import { itemAt } from '../faults/certain.ts'
import { pattern } from '../text/pattern.ts'
/**
 * What a licence asks of a film that is changed from its pictures (cut, cropped, moved) and that
 * may earn money.
 */
export const LICENCE_USES = ['free', 'credit', 'share', 'refused', 'unknown'] as const
export type LicenceUse = (typeof LICENCE_USES)[number]

/** A licence as it is written in credits, and what it asks. */
export interface LicenceFacts {
  name: string
  /** Where it can be read. */
  link?: string
  use: LicenceUse
  /** What a person should know before publishing; left out where there is nothing. */
  warning?: string
}

const NON_COMMERCIAL = 'its licence allows no film that earns money'
const NO_CHANGES = 'its licence allows no changes, and a film cuts, crops and moves it'
const EDITORIAL = 'it is offered for reports of events alone'
const UNKNOWN = 'nobody says under which licence it may be used'
const UNREAD = 'its licence is none we know: read it before you publish'
const SHARED =
  'its licence asks that what is made of it is shared alike: read whether that suits the film'

/** Kinds of Creative Commons licences: `by`, `by-sa`, `by-nc` and so on, with their version. */
const CREATIVE_COMMONS = pattern(
  'i',
  String.raw`^(?:cc|creative commons)[\s-]+(?:attribution[\s-]*|by[\s-]*)((?:(?:share ?alike|sa|`,
  String.raw`nc|nd|non-?commercial|no ?deriv\w*)[\s-]*)*)([\d.]+)?`,
)

/**
 * Other licences people give pictures, by the names they are called. Where SPDX has an identifier,
 * its page is where the licence is read.
 */
const OTHERS: readonly (readonly [said: RegExp, facts: LicenceFacts])[] = [
  [/^own$/i, { name: 'Own', use: 'free' }],
  [/^made$/i, { name: 'Made for this channel', use: 'free' }],
  [
    /^(?:cc0|cc-?zero|creative commons zero)/i,
    { name: 'CC0 1.0', link: 'https://creativecommons.org/publicdomain/zero/1.0/', use: 'free' },
  ],
  [/^(?:public[\s-]*domain|pd)\b/i, { name: 'Public domain', use: 'free' }],
  [/^editorial/i, { name: 'Editorial use only', use: 'refused', warning: EDITORIAL }],
  [/^(?:mit|expat)\b/i, { name: 'MIT', link: 'https://spdx.org/licenses/MIT.html', use: 'credit' }],
  [
    /^apache/i,
    { name: 'Apache-2.0', link: 'https://spdx.org/licenses/Apache-2.0.html', use: 'credit' },
  ],
  [
    /^bsd-?([23])?/i,
    { name: 'BSD', link: 'https://spdx.org/licenses/BSD-3-Clause.html', use: 'credit' },
  ],
  [
    /^lgpl-?v?([\d.]+)?/i,
    {
      name: 'LGPL',
      link: 'https://spdx.org/licenses/LGPL-2.1-or-later.html',
      use: 'share',
      warning: SHARED,
    },
  ],
  [
    /^gpl-?v?([\d.]+)?/i,
    {
      name: 'GPL',
      link: 'https://spdx.org/licenses/GPL-2.0-or-later.html',
      use: 'share',
      warning: SHARED,
    },
  ],
]

/**
 * What is known of a licence, by what a provider calls it: `CC-BY-SA-4.0`, `CC BY 2.0`, `Public
 * Domain`.
 *
 * @returns use `unknown` for an empty text and for a licence that is none we know
 */
export function licenceFacts(said: string): LicenceFacts {
  const name = said.trim()
  const commons = CREATIVE_COMMONS.exec(name)
  if (commons) return creativeCommons(itemAt(commons, 1).toLowerCase(), commons[2])
  const other = OTHERS.find(([pattern]) => pattern.test(name))?.[1]
  // Where a provider says more than the name, its own words are what is credited.
  if (other)
    return other.use === 'free' || /^Editorial/.test(other.name) ? other : { ...other, name }
  return name && !/^(?:unknown|none|see\b)/i.test(name)
    ? { name, use: 'unknown', warning: UNREAD }
    : { name: 'Licence unknown', use: 'unknown', warning: UNKNOWN }
}

function creativeCommons(kinds: string, version = '4.0'): LicenceFacts {
  const has = (pattern: RegExp) => pattern.test(kinds)
  const parts = [
    'by',
    ...(has(/nc|non/) ? ['nc'] : []),
    ...(has(/nd|no ?deriv/) ? ['nd'] : []),
    ...(has(/sa|share/) ? ['sa'] : []),
  ]
  const facts = {
    name: `CC ${parts.join('-').toUpperCase()} ${version}`,
    link: `https://creativecommons.org/licenses/${parts.join('-')}/${version}/`,
  }
  if (parts.includes('nc')) return { ...facts, use: 'refused', warning: NON_COMMERCIAL }
  if (parts.includes('nd')) return { ...facts, use: 'refused', warning: NO_CHANGES }
  return parts.includes('sa')
    ? { ...facts, use: 'share', warning: SHARED }
    : { ...facts, use: 'credit' }
}

/**
 * Whether a licence lets a channel use a picture at all, as far as anyone can tell.
 *
 * @returns false where nothing is said of the licence
 */
export const mayBeUsed = (licence: string) =>
  !['refused', 'unknown'].includes(licenceFacts(licence).use)
