import type { Sequelize } from 'sequelize'
import type { Refusal, RefusalReason } from '@tidy-reel/core/document/document'
import { certain } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { type ChosenItem, chosenItem, Item, itemAgain } from '@tidy-reel/core/pictures/item'
import type { Look } from '@tidy-reel/core/pictures/look'
import { showsPeople } from '@tidy-reel/core/pictures/people'
import type { PictureNote } from '@tidy-reel/core/pictures/picture-list'
import type { LibraryPage, PictureView } from '@tidy-reel/core/views/library'
import type { PictureProvider } from '@tidy-reel/engine/stock/contract'
import { pictureChanges } from '../db/picture-changes.ts'
import { type PictureQuestion, pictureTable } from '../db/pictures.ts'

/** Rows of a list in one statement. */
const NOTED_AT_ONCE = 1000
/** Pictures of one answer to matching. */
const SHELVED = 24

/** What a person may say of a picture. */
export type Said = Partial<Pick<Item, 'title' | 'description' | 'author' | 'licence'>> & {
  people?: boolean | undefined
}

/** The pictures of a channel: its own, those made for it, and those a person chose or marked. */
export function libraryActions(sequelize: Sequelize, ownerId: string) {
  const table = pictureTable(sequelize, ownerId)
  const changes = pictureChanges(sequelize, ownerId)

  /**
   * Puts pictures into the library, or says more of those that are there; what a person said of one
   * stays.
   */
  async function keep(
    items: readonly (Item | ChosenItem)[],
    facts: { looks?: ReadonlyMap<string, Look>; fileName?: string; used?: boolean } = {},
  ): Promise<void> {
    const { looks, fileName, used } = facts
    for (const item of items) {
      const whole = Item.parse('tags' in item ? item : itemAgain(item))
      await changes.put(whole, { look: looks?.get(whole.id), fileName, used })
    }
  }

  async function find(id: string): Promise<PictureView> {
    const found = await table.one(id)
    if (!found) throw new TidyError('picture_not_found')
    return found
  }

  return {
    keep,
    async search({ from, ...asked }: PictureQuestion & { from: number }): Promise<LibraryPage> {
      return { pictures: await table.page(asked, from) }
    },
    count: table.count,
    tag: changes.tag,
    async describe(id: string, said: Said): Promise<PictureView> {
      const { item } = await find(id)
      const { title, description, author, licence } = { ...item, ...said }
      const people = said.people ?? showsPeople({ ...item, title, description })
      await changes.describe(id, { title, description, author, licence, people })
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
        const some = notes.slice(from, from + NOTED_AT_ONCE)
        const named = await changes.note(some)
        unknown.push(...some.flatMap((_, i) => (named.has(i) ? [] : [from + i])))
      }
      return unknown
    },
    /** All pictures of the library, the newest first. */
    listed: table.all,
    async setFavourite(item: Item, favourite: boolean): Promise<void> {
      await keep([item])
      await changes.setFavourite(item.id, favourite)
    },
    favouriteIds: async (): Promise<ReadonlySet<string>> => new Set(await table.favouriteIds()),
    /** Turned down for all films, or wanted again. */
    async refuse(item: Item | ChosenItem, reason: RefusalReason | null): Promise<void> {
      if (reason) await keep([item])
      await changes.setRefused(item.id, reason)
    },
    /** What was turned down for all films, as matching takes it. */
    async refusals(): Promise<Refusal[]> {
      const refused = await table.refused()
      return refused.map(({ item, refused: reason }) => ({
        item: certain(chosenItem(item)),
        reason: certain(reason),
        sentence: '',
        words: [],
      }))
    },
    collect: changes.collect,
    collections: table.collections,
    /** Takes pictures out, or puts them back; films that show them go on showing them. */
    remove: changes.setRemoved,
    uses: table.uses,
    twins: table.twins,
    called: table.called,
    /** The library as one of the places that matching looks in. */
    shelf: (): Pick<PictureProvider, 'search'> => ({
      async search({ words, perPage = SHELVED, page = 1 }) {
        const any = words.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []
        if (!any.length) return []
        const found = await table.shelved(any, perPage, (page - 1) * perPage)
        return found.map(({ item }) => item)
      },
    }),
  }
}
export type LibraryActions = ReturnType<typeof libraryActions>
