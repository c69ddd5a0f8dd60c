import { QueryTypes, type Sequelize } from 'sequelize'
import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import { SAME_BITS } from '@tidy-reel/core/pictures/look'
import { type ListedPicture, PICTURE_LIST_LIMIT } from '@tidy-reel/core/pictures/picture-list'
import {
  LIBRARY_PAGE,
  MOST_FOUND,
  type PictureUse,
  type PictureView,
  type Shelf,
} from '@tidy-reel/core/views/library'
import { COLUMNS, conditions, type Row, viewOf } from './picture-rows.ts'

/** Of pictures that have a common word, so many are weighed against each other. */
const WEIGHED = MOST_FOUND
/**
 * Of one word of several that matching looks for: with a million pictures 200 keep a search under
 * 50 ms (`npm run bench:library`).
 */
const WEIGHED_EACH = 200
/** So many of each bear on the choices of a film, the newest: more than anybody made by hand. */
const REFUSALS_LEARNT = 1000
/** Favourites that matching reads; the newest, as taste changes. */
const FAVOURITES_LEARNT = 10_000
/** Copies shown of one picture. */
const MOST_TWINS = 50

/** What of the library is asked for. */
export interface PictureQuestion {
  words: string
  shelf: Shelf
  collection?: string | undefined
  filter: PictureFilter
}

const IS_OURS = 'owner_id = $ownerId and removed_at is null'

/** Reads the table of pictures of one owner; each function is one question in SQL. */
export function pictureTable(sequelize: Sequelize, ownerId: string) {
  const select = <T extends object>(sql: string, bind: Record<string, unknown> = {}) =>
    sequelize.query<T>(sql, { bind: { ownerId, ...bind }, type: QueryTypes.SELECT })
  const views = async (sql: string, bind: Record<string, unknown> = {}) =>
    (await select<Row>(sql, bind)).map(viewOf)

  return {
    /** One page, by how well the words fit, else the newest first. */
    async page(question: PictureQuestion, from: number): Promise<PictureView[]> {
      const { where, bind } = conditions(question.shelf, question.collection, question.filter)
      const asked = question.words.trim()
      if (asked) return views(pageOfWords(where), { ...bind, asked, from })
      const newest = question.shelf === 'recent' ? 'used_at' : 'added_at'
      return views(
        `select ${COLUMNS} from pictures where ${where}
         order by ${newest} desc, id limit ${LIBRARY_PAGE} offset $from`,
        { ...bind, from },
      )
    },
    /** How many there are, `most` at most. */
    async count(question: PictureQuestion, most: number): Promise<number> {
      const { where, bind } = conditions(question.shelf, question.collection, question.filter)
      const asked = question.words.trim()
      const worded = asked ? "and words @@ websearch_to_tsquery('english', $asked)" : ''
      const limit = asked ? WEIGHED : most
      const [row] = await select<{ count: string }>(
        `select count(*) from
         (select 1 from pictures where ${where} ${worded} limit ${limit}) as found`,
        { ...bind, ...(asked ? { asked } : {}) },
      )
      return Number(row?.count)
    },
    /** Undefined for an id that is not in the table. */
    async one(id: string): Promise<PictureView | undefined> {
      const [found] = await views(
        `select ${COLUMNS} from pictures where owner_id = $ownerId and id = $id`,
        { id },
      )
      return found
    },
    /** All of them, the newest first, as a list has them. */
    async all(): Promise<ListedPicture[]> {
      const rows = await select<Row & { file_name: string | null }>(
        `select ${COLUMNS}, file_name from pictures where ${IS_OURS}
         order by added_at desc, id limit ${PICTURE_LIST_LIMIT}`,
      )
      return rows.map(({ file_name, ...row }) => ({ ...viewOf(row), fileName: file_name }))
    },
    async favouriteIds(): Promise<string[]> {
      const rows = await select<{ id: string }>(
        `select id from pictures where owner_id = $ownerId and favourite
         order by added_at desc limit ${FAVOURITES_LEARNT}`,
      )
      return rows.map(({ id }) => id)
    },
    /** Those that are wanted in no film, the newest first. */
    refused: (): Promise<PictureView[]> =>
      views(
        `select ${COLUMNS} from pictures where owner_id = $ownerId and refused is not null
         order by added_at desc limit ${REFUSALS_LEARNT}`,
      ),
    async collections(): Promise<{ name: string; pictures: number }[]> {
      const rows = await select<{ name: string; count: string }>(
        `select name, count(*) from pictures, unnest(collections) as name
         where ${IS_OURS} group by name order by name`,
      )
      return rows.map(({ name, count }) => ({ name, pictures: Number(count) }))
    },
    /** Films that show a picture, the latest first. */
    async uses(id: string): Promise<PictureUse[]> {
      const rows = await select<{ episode_id: string; title: string; scenes: number[] }>(
        `select e.id as episode_id, e.document->>'title' as title,
           array_agg(distinct scene.nth::int order by scene.nth::int) as scenes
         from episodes e,
           jsonb_array_elements(e.document->'scenes') with ordinality as scene(value, nth),
           jsonb_array_elements(scene.value->'shots') as shot
         where e.owner_id = $ownerId and e.deleted_at is null and shot->'item'->>'id' = $id
         group by e.id order by max(e.updated_at) desc`,
        { id },
      )
      return rows.map(({ episode_id, title, scenes }) => ({ episodeId: episode_id, title, scenes }))
    },
    /** Those that look all but the same as one of them. */
    twins: (id: string): Promise<PictureView[]> =>
      views(
        `select ${COLUMNS} from pictures,
           (select hash as wanted from pictures where owner_id = $ownerId and id = $id) as one
         where ${IS_OURS} and id <> $id and bit_count(hash # wanted) <= ${SAME_BITS}
         limit ${MOST_TWINS}`,
        { id },
      ),
    /** Ids of own pictures that were called so when they came, whatever their ending. */
    async called(stem: string): Promise<string[]> {
      const rows = await select<{ id: string }>(
        String.raw`select id from pictures where owner_id = $ownerId
          and (file_name = $stem or regexp_replace(file_name, '\.[^.]+$', '') = $stem)`,
        { stem },
      )
      return rows.map(({ id }) => id)
    },
    /**
     * What is the channel's own, and what somebody marked, by any of some words. Word by word:
     * together, one rare word would have all pictures looked at that have a common one.
     *
     * @param any in lower case, letters and digits alone
     */
    shelved: (any: readonly string[], limit: number, offset: number): Promise<PictureView[]> =>
      views(
        `with found as (
           select distinct on (id) each.* from unnest($any::text[]) as word, lateral (
             select pictures.* from pictures
             where ${IS_OURS} and refused is null and (origin <> 'stock' or favourite)
               and words @@ plainto_tsquery('english', word)
             limit ${WEIGHED_EACH}) as each)
         select ${COLUMNS} from found
         order by ts_rank(words, to_tsquery('english', $whole)) desc, id
         limit $limit offset $offset`,
        { any, whole: any.map((word) => `'${word}'`).join(' | '), limit, offset },
      ),
  }
}

/** The few that have rare words are all weighed; of the many with a common one, some are enough. */
const pageOfWords = (where: string) =>
  `with wanted as (select websearch_to_tsquery('english', $asked) as query),
   found as (
     select pictures.* from pictures, wanted where ${where} and words @@ query limit ${WEIGHED})
   select ${COLUMNS} from found, wanted
   order by ts_rank(words, query) desc, added_at desc, id limit ${LIBRARY_PAGE} offset $from`
