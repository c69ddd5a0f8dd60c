import { QueryTypes, type Sequelize } from 'sequelize'
import type { RefusalReason } from '@tidy-reel/core/document/document'
import { originOf } from '@tidy-reel/core/pictures/filter'
import type { Item } from '@tidy-reel/core/pictures/item'
import { licenceFacts } from '@tidy-reel/core/pictures/licences'
import type { Look } from '@tidy-reel/core/pictures/look'
import { showsPeople } from '@tidy-reel/core/pictures/people'
import type { PictureNote } from '@tidy-reel/core/pictures/picture-list'

/** What is known of a picture beside the item. */
export interface KeptFacts {
  look?: Look | undefined
  fileName?: string | undefined
  /** Chosen for a film just now. */
  used?: boolean | undefined
}

/** What a person said of a picture, with what follows from it. */
export interface PictureWords {
  title: string
  description: string
  author: string
  licence: string
  people: boolean
}

/** SQL: the words of a list, each once where it first stands. */
const eachOnce = (list: string, where = '') =>
  `(select coalesce(array_agg(tag order by nth), '{}') from
    (select tag, min(nth) as nth from unnest(${list}) with ordinality as each(tag, nth)
     ${where} group by tag) as kept)`

/** Changes the table of pictures of one owner; each function is one statement in SQL. */
export function pictureChanges(sequelize: Sequelize, ownerId: string) {
  const change = async (sql: string, bind: Record<string, unknown>) =>
    void (await sequelize.query(sql, { bind: { ownerId, ...bind } }))
  const onMany = (set: string, ids: readonly string[], bind: Record<string, unknown> = {}) =>
    change(`update pictures set ${set} where owner_id = $ownerId and id = any($ids)`, {
      ids,
      ...bind,
    })

  return {
    /**
     * Puts a picture into the table, or says more of one that is there; what a person said stays.
     */
    put: (item: Item, facts: KeptFacts): Promise<void> => change(PUT, rowOf(item, facts)),
    /** Adds words and takes words away; what somebody else adds meanwhile stays. */
    tag: (ids: readonly string[], add: readonly string[], remove: readonly string[]) =>
      onMany(
        `tags = ${eachOnce('tags || $add::text[]', 'where tag <> all($remove::text[])')}`,
        ids,
        { add, remove },
      ),
    describe: (id: string, said: PictureWords) =>
      change(
        `update pictures set title = $title, description = $description, author = $author,
           licence = $licence, licence_use = $use, people = $people
         where owner_id = $ownerId and id = $id`,
        { id, ...said, use: licenceFacts(said.licence).use },
      ),
    /** @returns places of the notes that name a picture of the table */
    async note(notes: readonly PictureNote[]): Promise<Set<number>> {
      const rows = JSON.stringify(notes.map(noteRow))
      const named = await sequelize.query<{ nth: number }>(NOTE, {
        bind: { ownerId, rows },
        type: QueryTypes.SELECT,
      })
      return new Set(named.map(({ nth }) => nth))
    },
    setFavourite: (id: string, favourite: boolean) =>
      onMany('favourite = $favourite', [id], { favourite }),
    setRefused: (id: string, reason: RefusalReason | null) =>
      onMany('refused = $reason', [id], { reason }),
    collect: (ids: readonly string[], name: string, inside: boolean) =>
      onMany(
        inside
          ? 'collections = array(select distinct unnest(collections || $name::text) order by 1)'
          : 'collections = array_remove(collections, $name)',
        ids,
        { name },
      ),
    setRemoved: (ids: readonly string[], removed: boolean) =>
      onMany(`removed_at = ${removed ? 'now()' : 'null'}`, ids),
  }
}

const PUT = `
  insert into pictures (owner_id, id, origin, kind, title, description, tags, width, height,
    seconds, orientation, source, licence, licence_use, author, link, people, colours, hash,
    sharpness, file_name, used_at)
  values ($ownerId, $id, $origin, $kind, $title, $description, $tags, $width, $height,
    $seconds, $orientation, $source, $licence, $use, $author, $link, $people, $colours,
    $hash::bit(64), $sharpness, $fileName, case when $used then now() end)
  on conflict (owner_id, id) do update set
    used_at = coalesce(excluded.used_at, pictures.used_at),
    removed_at = null,
    tags = case when pictures.tags = '{}' then excluded.tags else pictures.tags end,
    description = case when pictures.description = ''
      then excluded.description else pictures.description end,
    colours = case when excluded.hash is null then pictures.colours else excluded.colours end,
    hash = coalesce(excluded.hash, pictures.hash),
    sharpness = coalesce(excluded.sharpness, pictures.sharpness)`

function rowOf(item: Item, { look, fileName, used }: KeptFacts): Record<string, unknown> {
  return {
    ...item,
    link: item.link ?? null,
    origin: originOf(item.id),
    use: licenceFacts(item.licence).use,
    people: showsPeople(item),
    colours: look?.colours ?? [],
    hash: look ? BigInt(`0x${look.hash}`).toString(2).padStart(64, '0') : null,
    sharpness: look?.sharpness ?? null,
    fileName: fileName ?? null,
    used: used ?? false,
  }
}

const IS_OURS = 'pictures.owner_id = $ownerId and removed_at is null'

/** Of two notes on one picture the later counts; words are added to those it has. */
const NOTE = String.raw`
  with said as (
    select * from jsonb_to_recordset($rows::jsonb) as row(nth int, id text, file text, stem text,
      whole boolean, title text, description text, tags text[], author text, licence text,
      use text, people boolean)),
  meant as (
    select said.*, pictures.id as picture from said
    join pictures on ${IS_OURS} and pictures.id = said.id
    union all
    select said.*, pictures.id from said
    join pictures on ${IS_OURS} and said.id is null and file_name is not null
      and regexp_replace(file_name, '\.[^.]+$', '') = said.stem
      and (not whole or file_name = said.file)),
  one as (select distinct on (picture) * from meant order by picture, nth desc),
  done as (
    update pictures set
      title = coalesce(one.title, pictures.title),
      description = coalesce(one.description, pictures.description),
      author = coalesce(one.author, pictures.author),
      licence = coalesce(one.licence, pictures.licence),
      licence_use = coalesce(one.use, licence_use),
      people = coalesce(one.people, pictures.people),
      tags = ${eachOnce("pictures.tags || coalesce(one.tags, '{}')")}
    from one where pictures.owner_id = $ownerId and pictures.id = one.picture)
  select distinct nth from meant`

function noteRow(note: PictureNote, nth: number) {
  const { file, licence, title = '', tags = [], description = '' } = note
  const seen = showsPeople({ title, tags, description }) || undefined
  return {
    ...note,
    nth,
    stem: file?.replace(/\.[^.]+$/, ''),
    whole: file?.includes('.') ?? false,
    use: licence === undefined ? undefined : licenceFacts(licence).use,
    people: note.people ?? seen,
  }
}
