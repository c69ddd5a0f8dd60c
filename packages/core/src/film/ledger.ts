import { itemsIn } from '../pictures/inlay.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { type LicenceFacts, licenceFacts } from '../pictures/licences.ts'
import type { Timeline } from '../timeline/timeline.ts'

/** A picture of a film: whose it is, what its licence asks, where it is seen. */
export interface LedgerRow {
  item: ChosenItem
  licence: LicenceFacts
  /** How it is credited; empty where nothing is asked. */
  credit: string
  /** Scenes it is seen in, counted from 1, and where it is first seen, in samples. */
  scenes: number[]
  firstSample: number
}

/**
 * The pictures that are seen in a film, each once, in order of appearance.
 *
 * @returns `[]` for a film without pictures
 */
export function ledgerOf({ scenes }: Timeline): LedgerRow[] {
  const rows = new Map<string, LedgerRow>()
  scenes.forEach((scene, n) => {
    for (const item of itemsIn(scene)) {
      const row = rows.get(item.id) ?? {
        item,
        licence: licenceFacts(item.licence),
        credit: creditOf(item),
        scenes: [],
        firstSample: scene.startSample,
      }
      rows.set(item.id, row)
      if (row.scenes.at(-1) !== n + 1) row.scenes.push(n + 1)
    }
  })
  return [...rows.values()]
}

/**
 * A picture's credit: title, author, source and licence, each with its link, in the order Creative
 * Commons recommends (its "Recommended practices for attribution", written down from memory), with
 * the notice that it was changed.
 *
 * @returns empty for a picture of one's own
 */
export function creditOf(item: ChosenItem): string {
  const { name, link, use } = licenceFacts(item.licence)
  if (name === 'Own' || name === 'Made for this channel') return ''
  const whose = `“${item.title.trim() || item.id}”${item.author ? ` by ${item.author}` : ''}`
  const from = [item.source, item.link].filter(Boolean).join(', ')
  const linked = `${name}${link ? ` (${link})` : ''}`
  const under = use === 'unknown' ? name.toLowerCase() : linked
  const changed = use === 'free' || use === 'unknown' ? '' : '; cropped and moved'
  return `${whose}${from ? `, ${from}` : ''}, ${under}${changed}`
}

/** What a licence asks that this film does not do, or that a person must decide. */
export interface LedgerWarning {
  row: LedgerRow
  /** How pressing: it may not be used; nobody knows; it asks for more than a credit. */
  kind: 'refused' | 'unknown' | 'share'
  text: string
}

const ORDER = ['refused', 'unknown', 'share'] as const

/**
 * Pictures a person should look at before a film is published, the most pressing first.
 *
 * @returns `[]` where all may be used with a credit at most
 */
export function ledgerWarnings(rows: readonly LedgerRow[]): LedgerWarning[] {
  const warnings = rows.flatMap((row): LedgerWarning[] => {
    const { use, warning } = row.licence
    return warning && use !== 'free' && use !== 'credit' ? [{ row, kind: use, text: warning }] : []
  })
  return warnings.sort(
    (a, b) =>
      ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || a.row.firstSample - b.row.firstSample,
  )
}
