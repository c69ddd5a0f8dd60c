import { QueryTypes, type Sequelize } from 'sequelize'
import type { Refusal, RefusalReason } from '@tidy-reel/core/document/document'
import { certain } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { originOf, type PictureFilter } from '@tidy-reel/core/pictures/filter'
import { type ChosenItem, chosenItem, Item, itemAgain } from '@tidy-reel/core/pictures/item'
import { licenceFacts } from '@tidy-reel/core/pictures/licences'
import { type Look, SAME_BITS } from '@tidy-reel/core/pictures/look'
import { showsPeople } from '@tidy-reel/core/pictures/people'
import {
  type ListedPicture,
  PICTURE_LIST_LIMIT,
  type PictureNote,
} from '@tidy-reel/core/pictures/picture-list'
import {
  LIBRARY_PAGE,
  type LibraryPage,
  MOST_FOUND,
  type PictureUse,
  type PictureView,
  type Shelf,
} from '@tidy-reel/core/views/library'
import type { PictureProvider, StockQuery } from '@tidy-reel/engine/stock/contract'
import { COLUMNS, conditions, type Row, viewOf } from './library-rows.ts'

/** Of pictures that have a common word, so many are weighed against each other. */
const WEIGHED = MOST_FOUND
/** Of one word of several that matching looks for. */
const WEIGHED_EACH = 200

const REFUSALS_LEARNT = 1000
const FAVOURITES_LEARNT = 10_000
/** Rows of a list in one step. */
const NOTED_AT_ONCE = 1000

export interface LibraryQuery {
  words: string
  shelf: Shelf
  collection?: string | undefined
  filter: PictureFilter
  /** Pictures before the first that is wanted. */
  from: number
}

/** What a person may say of a picture. */
export type Said = Partial<Pick<Item, 'title' | 'description' | 'author' | 'licence'>> & {
  people?: boolean | undefined
}

/** SQL: the words of a list, each once where it first stands. */
const eachOnce = (list: string, where = '') =>
  `(select coalesce(array_agg(tag order by nth), '{}') from (select tag, min(nth) as nth from unnest(${list}) with ordinality as each(tag, nth) ${where} group by tag) as kept)`

/** The pictures of a channel: its own, those made for it, and those a person chose or marked. */
export function libraryActions(sequelize: Sequelize, ownerId: string) {
  const select = <T extends object>(sql: string, bind: Record<string, unknown>) =>
    sequelize.query<T>(sql, { bind: { ownerId, ...bind }, type: QueryTypes.SELECT })
  const change = async (sql: string, bind: Record<string, unknown>) =>
    void (await sequelize.query(sql, { bind: { ownerId, ...bind } }))

  /**
   * Puts pictures into the library, or says more of those that are there; what a person said of one
   * stays.
   */
  async function keep(
    items: readonly (Item | ChosenItem)[],
    facts: { looks?: ReadonlyMap<string, Look>; fileName?: string; used?: boolean } = {},
  ): Promise<void> {
    for (const item of items) {
      const {
        id,
        kind,
        title,
        description,
        tags,
        width,
        height,
        seconds,
        orientation,
        source,
        licence,
        author,
        link,
      } = Item.parse('tags' in item ? item : itemAgain(item))
      const look = facts.looks?.get(id)
      await change(
        `insert into pictures (owner_id, id, origin, kind, title, description, tags, width, height, seconds, orientation, source, licence, licence_use, author, link, people, colours, hash, sharpness, file_name, used_at)
        values ($ownerId, $id, $origin, $kind, $title, $description, $tags, $width, $height, $seconds, $orientation, $source, $licence, $use, $author, $link, $people, $colours, $hash::bit(64), $sharpness, $fileName, case when $used then now() end)
        on conflict (owner_id, id) do update set used_at = coalesce(excluded.used_at, pictures.used_at), removed_at = null,
          tags = case when pictures.tags = '{}' then excluded.tags else pictures.tags end, description = case when pictures.description = '' then excluded.description else pictures.description end,
          colours = case when excluded.hash is null then pictures.colours else excluded.colours end, hash = coalesce(excluded.hash, pictures.hash), sharpness = coalesce(excluded.sharpness, pictures.sharpness)`,
        {
          id,
          origin: originOf(id),
          kind,
          title,
          description,
          tags,
          width,
          height,
          seconds,
          orientation,
          source,
          licence,
          use: licenceFacts(licence).use,
          author,
          link: link ?? null,
          people: showsPeople({ title, tags, description }),
          colours: look?.colours ?? [],
          hash: look ? BigInt(`0x${look.hash}`).toString(2).padStart(64, '0') : null,
          sharpness: look?.sharpness ?? null,
          fileName: facts.fileName ?? null,
          used: facts.used ?? false,
        },
      )
    }
  }

  return {
    keep,
    async search({ words, shelf, collection, filter, from }: LibraryQuery): Promise<LibraryPage> {
      const { where, bind } = conditions(shelf, collection, filter)
      const asked = words.trim()
      const order = shelf === 'recent' ? 'used_at desc, id' : 'added_at desc, id'
      // The few that have rare words are all weighed; of the many that have a common one, some are
      // enough.
      const sql = asked
        ? `with wanted as (select websearch_to_tsquery('english', $asked) as query), found as (select pictures.* from pictures, wanted where ${where} and words @@ query limit ${WEIGHED})
           select ${COLUMNS} from found, wanted order by ts_rank(words, query) desc, added_at desc, id limit ${LIBRARY_PAGE} offset $from`
        : `select ${COLUMNS} from pictures where ${where} order by ${order} limit ${LIBRARY_PAGE} offset $from`
      return {
        pictures: (await select<Row>(sql, { ...bind, from, ...(asked ? { asked } : {}) })).map(
          viewOf,
        ),
      }
    },
    /** How many there are, of so many at most. */
    async count(
      { words, shelf, collection, filter }: Omit<LibraryQuery, 'from'>,
      most: number,
    ): Promise<number> {
      const { where, bind } = conditions(shelf, collection, filter)
      const asked = words.trim()
      const [row] = await select<{ count: string }>(
        `select count(*) from (select 1 from pictures where ${where} ${asked ? "and words @@ websearch_to_tsquery('english', $asked)" : ''} limit ${asked ? WEIGHED : most}) as found`,
        { ...bind, ...(asked ? { asked } : {}) },
      )
      return Number(row!.count)
    },
    /**
     * Adds words to pictures and takes words from them; what somebody else adds meanwhile stays.
     */
    async tag(
      ids: readonly string[],
      add: readonly string[],
      remove: readonly string[],
    ): Promise<void> {
      await change(
        `update pictures set tags = ${eachOnce('tags || $add::text[]', 'where tag <> all($remove::text[])')}
        where owner_id = $ownerId and id = any($ids)`,
        { ids, add, remove },
      )
    },
    async describe(id: string, said: Said): Promise<PictureView> {
      const known = await find(id)
      const { title, description, author, licence } = { ...known.item, ...said }
      await change(
        'update pictures set title = $title, description = $description, author = $author, licence = $licence, licence_use = $use, people = $people where owner_id = $ownerId and id = $id',
        {
          id,
          title,
          description,
          author,
          licence,
          use: licenceFacts(licence).use,
          people: said.people ?? showsPeople({ ...known.item, title, description }),
        },
      )
      return find(id)
    },
    /**
     * Says of many pictures what a list says; words are added to those they have.
     *
     * @returns the notes that name no picture of the library, by their place
     */
    async note(notes: readonly PictureNote[]): Promise<number[]> {
      const unknown: number[] = []
      for (let from = 0; from < notes.length; from += NOTED_AT_ONCE) {
        const rows = notes.slice(from, from + NOTED_AT_ONCE).map((note, i) => ({
          ...note,
          nth: from + i,
          stem: note.file?.replace(/\.[^.]+$/, ''),
          whole: note.file?.includes('.') ?? false,
          use: note.licence === undefined ? undefined : licenceFacts(note.licence).use,
          people:
            note.people ??
            (showsPeople({
              title: note.title ?? '',
              tags: note.tags ?? [],
              description: note.description ?? '',
            }) ||
              undefined),
        }))
        const found = await select<{ nth: number }>(
          `with said as (select * from jsonb_to_recordset($rows::jsonb) as row(nth int, id text, file text, stem text, whole boolean, title text, description text, tags text[], author text, licence text, use text, people boolean)),
          meant as (select said.*, pictures.id as picture from said join pictures on pictures.owner_id = $ownerId and removed_at is null and pictures.id = said.id
            union all select said.*, pictures.id from said join pictures on pictures.owner_id = $ownerId and removed_at is null and said.id is null and file_name is not null
              and regexp_replace(file_name, '\\.[^.]+$', '') = said.stem and (not whole or file_name = said.file)),
          one as (select distinct on (picture) * from meant order by picture, nth desc),
          done as (update pictures set title = coalesce(one.title, pictures.title), description = coalesce(one.description, pictures.description), author = coalesce(one.author, pictures.author),
              licence = coalesce(one.licence, pictures.licence), licence_use = coalesce(one.use, licence_use), people = coalesce(one.people, pictures.people),
              tags = ${eachOnce("pictures.tags || coalesce(one.tags, '{}')")}
            from one where pictures.owner_id = $ownerId and pictures.id = one.picture)
          select distinct nth from meant`,
          { rows: JSON.stringify(rows) },
        )
        const named = new Set(found.map(({ nth }) => nth))
        unknown.push(...rows.flatMap(({ nth }) => (named.has(nth) ? [] : [nth])))
      }
      return unknown
    },
    /** All pictures of the library, the newest first. */
    async listed(): Promise<ListedPicture[]> {
      const rows = await select<Row & { file_name: string | null }>(
        `select ${COLUMNS}, file_name from pictures where owner_id = $ownerId and removed_at is null order by added_at desc, id limit ${PICTURE_LIST_LIMIT}`,
        {},
      )
      return rows.map(({ file_name, ...row }) => ({ ...viewOf(row), fileName: file_name }))
    },
    async setFavourite(item: Item, favourite: boolean): Promise<void> {
      await keep([item])
      await change(
        'update pictures set favourite = $favourite where owner_id = $ownerId and id = $id',
        { id: item.id, favourite },
      )
    },
    async favouriteIds(): Promise<ReadonlySet<string>> {
      const rows = await select<{ id: string }>(
        `select id from pictures where owner_id = $ownerId and favourite order by added_at desc limit ${FAVOURITES_LEARNT}`,
        {},
      )
      return new Set(rows.map(({ id }) => id))
    },
    /** Turned down for all films, or wanted again. */
    async refuse(item: Item | ChosenItem, reason: RefusalReason | null): Promise<void> {
      if (reason) await keep([item])
      await change('update pictures set refused = $reason where owner_id = $ownerId and id = $id', {
        id: item.id,
        reason,
      })
    },
    /** What was turned down for all films, as matching takes it. */
    async refusals(): Promise<Refusal[]> {
      const rows = await select<Row>(
        `select ${COLUMNS} from pictures where owner_id = $ownerId and refused is not null order by added_at desc limit ${REFUSALS_LEARNT}`,
        {},
      )
      return rows.map((row) => ({
        item: certain(chosenItem(viewOf(row).item)),
        reason: row.refused!,
        sentence: '',
        words: [],
      }))
    },
    async collect(ids: readonly string[], name: string, inside: boolean): Promise<void> {
      await change(
        `update pictures set collections = ${inside ? 'array(select distinct unnest(collections || $name::text) order by 1)' : 'array_remove(collections, $name)'} where owner_id = $ownerId and id = any($ids)`,
        { ids, name },
      )
    },
    async collections(): Promise<{ name: string; pictures: number }[]> {
      const rows = await select<{ name: string; count: string }>(
        'select name, count(*) from pictures, unnest(collections) as name where owner_id = $ownerId and removed_at is null group by name order by name',
        {},
      )
      return rows.map(({ name, count }) => ({ name, pictures: Number(count) }))
    },
    /**
     * Takes pictures out of the library, or puts them back; films that show them go on showing
     * them.
     */
    async remove(ids: readonly string[], removed: boolean): Promise<void> {
      await change(
        `update pictures set removed_at = ${removed ? 'now()' : 'null'} where owner_id = $ownerId and id = any($ids)`,
        { ids },
      )
    },
    /** Films that show a picture. */
    async uses(id: string): Promise<PictureUse[]> {
      const rows = await select<{ episode_id: string; title: string; scenes: number[] }>(
        `select e.id as episode_id, e.document->>'title' as title, array_agg(distinct scene.nth::int order by scene.nth::int) as scenes
        from episodes e, jsonb_array_elements(e.document->'scenes') with ordinality as scene(value, nth), jsonb_array_elements(scene.value->'shots') as shot
        where e.owner_id = $ownerId and e.deleted_at is null and shot->'item'->>'id' = $id group by e.id order by max(e.updated_at) desc`,
        { id },
      )
      return rows.map(({ episode_id, title, scenes }) => ({ episodeId: episode_id, title, scenes }))
    },
    /** Pictures of the library that look all but the same as one of them. */
    async twins(id: string): Promise<PictureView[]> {
      const rows = await select<Row>(
        `select ${COLUMNS} from pictures, (select hash as wanted from pictures where owner_id = $ownerId and id = $id) as one where owner_id = $ownerId and removed_at is null and id <> $id and bit_count(hash # wanted) <= ${SAME_BITS} limit 50`,
        { id },
      )
      return rows.map(viewOf)
    },
    /** Ids of own pictures that were called so when they came, whatever their ending. */
    async called(stem: string): Promise<string[]> {
      const rows = await select<{ id: string }>(
        "select id from pictures where owner_id = $ownerId and (file_name = $stem or regexp_replace(file_name, '\\.[^.]+$', '') = $stem)",
        { stem },
      )
      return rows.map(({ id }) => id)
    },
    /**
     * The library as one of the places that matching looks in: what is the channel's own, and what
     * somebody marked.
     */
    shelf(): Pick<PictureProvider, 'search'> {
      return {
        async search({ words, perPage = 24, page = 1 }: StockQuery) {
          const any = words.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []
          if (!any.length) return []
          // Word by word: together, one rare word would have all pictures looked at that have a
          // common one.
          const rows = await select<Row>(
            `with found as (select distinct on (id) each.* from unnest($any::text[]) as word, lateral (select pictures.* from pictures where owner_id = $ownerId and removed_at is null and refused is null and (origin <> 'stock' or favourite) and words @@ plainto_tsquery('english', word) limit ${WEIGHED_EACH}) as each)
            select ${COLUMNS} from found order by ts_rank(words, to_tsquery('english', $whole)) desc, id limit $limit offset $offset`,
            {
              any,
              whole: any.map((word) => `'${word}'`).join(' | '),
              limit: perPage,
              offset: (page - 1) * perPage,
            },
          )
          return rows.map((row) => viewOf(row).item)
        },
      }
    },
  }

  async function find(id: string): Promise<PictureView> {
    const [row] = await select<Row>(
      `select ${COLUMNS} from pictures where owner_id = $ownerId and id = $id`,
      { id },
    )
    if (!row) throw new TidyError('picture_not_found')
    return viewOf(row)
  }
}
export type LibraryActions = ReturnType<typeof libraryActions>
