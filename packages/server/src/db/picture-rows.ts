import { ALLOWED, type PictureFilter, SIZES } from '@tidy-reel/core/pictures/filter'
import type { Item } from '@tidy-reel/core/pictures/item'
import { SAME_BITS } from '@tidy-reel/core/pictures/look'
import type { PictureView, Shelf } from '@tidy-reel/core/views/library'

/** A picture as the table has it. */
export type Row = Omit<Item, 'link'> &
  Omit<PictureView, 'item' | 'addedAt' | 'usedAt'> & {
    link: string | null
    added_at: Date
    used_at: Date | null
  }

export const COLUMNS =
  'id, kind, title, description, tags, width, height, seconds, orientation, source, licence, ' +
  'author, link, favourite, collections, colours, people, sharpness, refused, added_at, ' +
  'used_at'

/** What of the table a question is about, as SQL with its values. */
export function conditions(
  shelf: Shelf,
  collection: string | undefined,
  { kind, orientation, size, seconds, origin, source, licence, people, colour }: PictureFilter,
): { where: string; bind: Record<string, unknown> } {
  const bind: Record<string, unknown> = {}
  const terms = ['owner_id = $ownerId', 'removed_at is null']
  const add = (term: string, values: Record<string, unknown> = {}) => {
    terms.push(term)
    Object.assign(bind, values)
  }
  if (shelf === 'own' || shelf === 'made') add('origin = $shelf', { shelf })
  if (shelf === 'favourites') add('favourite')
  if (shelf === 'recent') add('used_at is not null')
  add(shelf === 'refused' ? 'refused is not null' : 'refused is null')
  if (shelf === 'untagged') add("origin = 'own' and tags = '{}'")
  if (shelf === 'alike')
    add(
      'exists (select 1 from pictures as other where other.owner_id = pictures.owner_id and ' +
        'other.removed_at is null and other.id <> pictures.id and bit_count(other.hash # ' +
        `pictures.hash) <= ${SAME_BITS})`,
    )
  if (collection) add('collections @> array[$collection]', { collection })
  if (kind)
    add(kind === 'made' ? "origin = 'made'" : 'kind = $kind', kind === 'made' ? {} : { kind })
  if (orientation) add('orientation = $orientation', { orientation })
  if (size) add('least(width, height) >= $lines', { lines: SIZES[size] })
  if (seconds) add("(kind <> 'clip' or seconds >= $seconds)", { seconds })
  if (origin) add('origin = $origin', { origin })
  if (source) add('strpos(lower(source), lower($source)) > 0', { source })
  if (licence) add('licence_use = any($uses)', { uses: ALLOWED[licence] })
  if (people) add('people = $people', { people: people === 'with' })
  if (colour) add('colours @> array[$colour]', { colour })
  return { where: terms.join(' and '), bind }
}

export function viewOf({
  favourite,
  collections,
  colours,
  people,
  sharpness,
  refused,
  added_at,
  used_at,
  link,
  ...item
}: Row): PictureView {
  return {
    item: { ...item, ...(link ? { link } : {}) },
    favourite,
    collections,
    colours,
    people,
    sharpness,
    refused,
    addedAt: added_at.toISOString(),
    usedAt: used_at?.toISOString() ?? null,
  }
}
