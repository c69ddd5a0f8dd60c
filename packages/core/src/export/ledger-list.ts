import type { LedgerRow } from '../film/ledger.ts'
import { csv } from '../text/csv.ts'
import { clockText, secondsFromSamples } from '../time/time.ts'

/**
 * The ledger as a table.
 *
 * @param fetched when each picture came into the library, ISO 8601, by id
 * @returns the head alone for a film without pictures
 */
export function ledgerCsv(
  rows: readonly LedgerRow[],
  fetched: ReadonlyMap<string, string>,
): string {
  return csv([
    [
      'item',
      'title',
      'author',
      'source',
      'link',
      'licence',
      'licence_link',
      'asks',
      'fetched',
      'first_seen',
      'scenes',
      'credit',
    ],
    ...rows.map(({ item, licence, credit, scenes, firstSample }) => [
      item.id,
      item.title,
      item.author,
      item.source,
      item.link ?? '',
      licence.name,
      licence.link ?? '',
      licence.warning ?? (licence.use === 'credit' ? 'a credit' : 'nothing'),
      fetched.get(item.id) ?? '',
      clockText(Math.floor(secondsFromSamples(firstSample))),
      scenes.join(' '),
      credit,
    ]),
  ])
}
