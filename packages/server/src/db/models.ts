import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  Sequelize,
} from 'sequelize'
import type { Command } from '@tidy-reel/core/document/command'
import type { Document, Matching, Picking } from '@tidy-reel/core/document/document'
import type { Inverse } from '@tidy-reel/core/document/inverse'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import type { ChannelFilm } from '@tidy-reel/core/topics/channel-film'
import type { Idea } from '@tidy-reel/core/topics/topic-views'
import type { RenderView, SceneTakeView } from '@tidy-reel/core/views/episode'
import { type EpisodeFacts, episodeFacts } from '@tidy-reel/core/views/episode-facts'
import type { Writing } from '@tidy-reel/core/writing/brief'
import type { MatchedScene } from '@tidy-reel/engine/stock/match-film'

/** The owner of everything until sign-in comes: on loopback there is one. */
export const LOCAL_OWNER = '00000000-0000-4000-8000-000000000001'

export class Channel extends Model<InferAttributes<Channel>, InferCreationAttributes<Channel>> {
  declare id: string
  declare ownerId: string
  declare name: string
  /** Words of its own, spelt right. */
  declare words: CreationOptional<string[]>
  declare pronunciations: CreationOptional<Pronunciation[]>
  declare favouriteVoices: CreationOptional<string[]>
}

export class Episode extends Model<InferAttributes<Episode>, InferCreationAttributes<Episode>> {
  declare id: string
  declare ownerId: string
  declare channelId: string
  declare document: Document
  /** Of the document; null until they are worked out. */
  declare facts: CreationOptional<EpisodeFacts | null>
  declare revision: number
  declare deletedAt: Date | null
  declare archivedAt: CreationOptional<Date | null>
  declare createdAt: CreationOptional<Date>
  declare updatedAt: CreationOptional<Date>
}

export class Change extends Model<InferAttributes<Change>, InferCreationAttributes<Change>> {
  declare id: CreationOptional<number>
  declare ownerId: string
  declare episodeId: string
  declare revision: number
  declare actor: 'person' | 'matching'
  declare command: Command
  declare inverse: Inverse
  /** The sender's name for it: sent twice, it is carried out once. */
  declare key: CreationOptional<string | null>
  declare state: CreationOptional<'done' | 'undone' | 'left'>
  declare createdAt: CreationOptional<Date>
}

export class Version extends Model<InferAttributes<Version>, InferCreationAttributes<Version>> {
  declare id: string
  declare ownerId: string
  declare episodeId: string
  declare name: string
  declare revision: number
  declare document: Document
  declare createdAt: CreationOptional<Date>
}

export class Candidates extends Model<
  InferAttributes<Candidates>,
  InferCreationAttributes<Candidates>
> {
  declare episodeId: string
  declare ownerId: string
  declare sceneId: string
  declare text: string
  declare words: MatchedScene['words']
  declare picks: MatchedScene['candidates']
  declare meanings: MatchedScene['meanings']
  declare numbers: MatchedScene['numbers']
  /**
   * What a person had told matching when it chose: a hash of all of it, what was said of the
   * scene's own words, how pictures were to be chosen.
   */
  declare told: {
    of: string
    /** What its directions asked for; rows of an earlier time do not say. */
    asked?: string
    senses: Matching['senses']
    picking: Picking
  }
}

export class Render extends Model<InferAttributes<Render>, InferCreationAttributes<Render>> {
  declare id: string
  declare ownerId: string
  declare episodeId: string
  declare state: RenderView['state']
  declare shape: FilmShape
  /** The document as it was when the render was asked for. */
  declare document: Document
  declare progress: RenderView['progress']
  declare report: RenderView['report']
  declare fault: RenderView['fault']
  declare copies: CreationOptional<RenderView['copies']>
  declare createdAt: CreationOptional<Date>
  declare updatedAt: CreationOptional<Date>
}

/** A take that a scene has or had. */
export class SceneTake extends Model<
  InferAttributes<SceneTake>,
  InferCreationAttributes<SceneTake>
> {
  declare episodeId: string
  declare sceneId: string
  declare hash: string
  declare ownerId: string
  declare text: string
  declare voice: string
  declare kind: SceneTakeView['kind']
  declare samples: number
  declare usedAt: Date
}

/** A channel that is followed, with its films as they were last taken. */
export class Watched extends Model<InferAttributes<Watched>, InferCreationAttributes<Watched>> {
  declare id: string
  declare ownerId: string
  /** Where it comes from: the service's id, or the list's name. */
  declare key: string
  declare name: string
  declare own: boolean
  declare films: ChannelFilm[]
  declare takenAt: Date
}

export class IdeaRow extends Model<InferAttributes<IdeaRow>, InferCreationAttributes<IdeaRow>> {
  declare id: string
  declare ownerId: string
  declare title: string
  declare notes: string
  declare subject: string
  declare state: Idea['state']
  declare episodeId: string | null
  declare createdAt: CreationOptional<Date>
  declare updatedAt: CreationOptional<Date>
}

/** A house style of a channel's own. */
export class StyleRow extends Model<InferAttributes<StyleRow>, InferCreationAttributes<StyleRow>> {
  declare ownerId: string
  declare id: string
  declare style: HouseStyle
  declare createdAt: CreationOptional<Date>
  declare updatedAt: CreationOptional<Date>
}

/** What is kept of the writing of an episode. */
export class WritingRow extends Model<
  InferAttributes<WritingRow>,
  InferCreationAttributes<WritingRow>
> {
  declare episodeId: string
  declare ownerId: string
  declare writing: Writing
}

/** The language-model service of an owner; without a row the built-in writer writes. */
export class WriterSettings extends Model<
  InferAttributes<WriterSettings>,
  InferCreationAttributes<WriterSettings>
> {
  declare ownerId: string
  declare address: string
  declare model: string
  declare key: string
}

const { UUID, STRING, JSONB, INTEGER, BIGINT, DATE, TEXT, BOOLEAN } = DataTypes
const id = { type: UUID, primaryKey: true }
const owner = { type: UUID, allowNull: false }

/**
 * Of pictures that have a word more common than this, PostgreSQL looks at a sample: all of them
 * would not be read by anyone.
 */
const COMMON_WORD = 8000

export function connect(database: string): Sequelize {
  const sequelize = new Sequelize(database, {
    logging: false,
    dialectOptions: { options: `-c gin_fuzzy_search_limit=${COMMON_WORD}` },
    define: { underscored: true },
    pool: { max: 8 },
  })
  Channel.init(
    {
      id,
      ownerId: owner,
      name: STRING,
      words: { type: JSONB, defaultValue: [] },
      pronunciations: { type: JSONB, defaultValue: [] },
      favouriteVoices: { type: JSONB, defaultValue: [] },
    },
    { sequelize, tableName: 'channels', timestamps: false },
  )
  Episode.init(
    {
      id,
      ownerId: owner,
      channelId: UUID,
      document: JSONB,
      facts: JSONB,
      revision: INTEGER,
      deletedAt: DATE,
      archivedAt: DATE,
      createdAt: DATE,
      updatedAt: DATE,
    },
    { sequelize, tableName: 'episodes' },
  )
  Episode.beforeSave((episode) => {
    if (episode.changed('document') && !episode.changed('facts'))
      episode.facts = episodeFacts(episode.document)
  })
  Change.init(
    {
      id: { type: BIGINT, primaryKey: true, autoIncrement: true },
      ownerId: owner,
      episodeId: UUID,
      revision: INTEGER,
      actor: STRING,
      command: JSONB,
      inverse: JSONB,
      key: STRING,
      state: { type: STRING, defaultValue: 'done' },
      createdAt: DATE,
    },
    { sequelize, tableName: 'changes', updatedAt: false },
  )
  Version.init(
    {
      id,
      ownerId: owner,
      episodeId: UUID,
      name: STRING,
      revision: INTEGER,
      document: JSONB,
      createdAt: DATE,
    },
    { sequelize, tableName: 'versions', updatedAt: false },
  )
  Candidates.init(
    {
      episodeId: { type: UUID, primaryKey: true },
      sceneId: { type: STRING, primaryKey: true },
      ownerId: owner,
      text: TEXT,
      words: JSONB,
      picks: JSONB,
      meanings: JSONB,
      numbers: JSONB,
      told: JSONB,
    },
    { sequelize, tableName: 'candidates', timestamps: false },
  )
  Render.init(
    {
      id,
      ownerId: owner,
      episodeId: UUID,
      state: STRING,
      shape: JSONB,
      document: JSONB,
      progress: JSONB,
      report: JSONB,
      fault: JSONB,
      copies: JSONB,
      createdAt: DATE,
      updatedAt: DATE,
    },
    { sequelize, tableName: 'renders' },
  )
  SceneTake.init(
    {
      episodeId: { type: UUID, primaryKey: true },
      sceneId: { type: STRING, primaryKey: true },
      hash: { type: STRING, primaryKey: true },
      ownerId: owner,
      text: TEXT,
      voice: STRING,
      kind: STRING,
      samples: INTEGER,
      usedAt: DATE,
    },
    { sequelize, tableName: 'scene_takes', timestamps: false },
  )
  Watched.init(
    { id, ownerId: owner, key: STRING, name: STRING, own: BOOLEAN, films: JSONB, takenAt: DATE },
    { sequelize, tableName: 'watched_channels', timestamps: false },
  )
  IdeaRow.init(
    {
      id,
      ownerId: owner,
      title: STRING,
      notes: TEXT,
      subject: STRING,
      state: STRING,
      episodeId: UUID,
      createdAt: DATE,
      updatedAt: DATE,
    },
    { sequelize, tableName: 'ideas' },
  )
  StyleRow.init(
    {
      ownerId: { type: UUID, primaryKey: true },
      id: { type: STRING, primaryKey: true },
      style: JSONB,
      createdAt: DATE,
      updatedAt: DATE,
    },
    { sequelize, tableName: 'house_styles' },
  )
  WritingRow.init(
    { episodeId: { type: UUID, primaryKey: true }, ownerId: owner, writing: JSONB },
    { sequelize, tableName: 'writings', timestamps: false },
  )
  WriterSettings.init(
    { ownerId: { type: UUID, primaryKey: true }, address: TEXT, model: STRING, key: TEXT },
    { sequelize, tableName: 'writer_settings', timestamps: false },
  )
  return sequelize
}
