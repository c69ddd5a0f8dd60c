import { randomUUID } from 'node:crypto'
import type { Sequelize } from 'sequelize'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { HOUSE_STYLES } from '@tidy-reel/core/style/house-styles'
import { StyleRow } from '../db/models.ts'

/** What a person decides of a style; the rest is counted and named here. */
export type StyleContent = Omit<HouseStyle, 'id' | 'version'>

/** More than one channel needs. */
const STYLES_LIMIT = 200

/** The house styles of a channel: those that ship, which stay as they are, and its own. */
export function styleActions(sequelize: Sequelize, ownerId: string) {
  async function find(id: string): Promise<StyleRow> {
    const found = await StyleRow.findOne({ where: { ownerId, id } })
    if (!found) throw new TidyError('style_not_found')
    return found
  }
  return {
    async all(): Promise<{ shipped: readonly HouseStyle[]; own: HouseStyle[] }> {
      const rows = await StyleRow.findAll({ where: { ownerId }, order: [['createdAt', 'ASC']] })
      return { shipped: HOUSE_STYLES, own: rows.map(({ style }) => style) }
    },
    async add(content: StyleContent): Promise<HouseStyle> {
      const count = await StyleRow.count({ where: { ownerId } })
      if (count >= STYLES_LIMIT) throw new TidyError('styles_too_many', { limit: STYLES_LIMIT })
      const style: HouseStyle = { ...content, id: `own-${randomUUID()}`, version: 1 }
      await StyleRow.create({ ownerId, id: style.id, style })
      return style
    },
    /** @param version the one it was changed from: what somebody else changed meanwhile is not lost */
    async change(id: string, version: number, content: StyleContent): Promise<HouseStyle> {
      return sequelize.transaction(async (transaction) => {
        const row = await StyleRow.findOne({
          where: { ownerId, id },
          lock: transaction.LOCK.UPDATE,
          transaction,
        })
        if (!row) throw new TidyError('style_not_found')
        if (row.style.version !== version) throw new TidyError('style_stale')
        const style: HouseStyle = { ...content, id, version: version + 1 }
        await row.update({ style }, { transaction })
        return style
      })
    },
    /** Films that follow it keep what they took over from it. */
    async remove(id: string): Promise<void> {
      await (await find(id)).destroy()
    },
    /** Brings a removed one back as it was. */
    async restore(style: HouseStyle): Promise<HouseStyle> {
      const [row] = await StyleRow.findOrCreate({
        where: { ownerId, id: style.id },
        defaults: { ownerId, id: style.id, style },
      })
      return row.style
    },
  }
}
export type StyleActions = ReturnType<typeof styleActions>
