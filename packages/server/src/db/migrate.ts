import type { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { NOTHING_DRAWN, REFUSALS } from '@tidy-reel/core/document/document'
import { PLAIN_SUBTITLING } from '@tidy-reel/core/document/subtitling'
import { ORIGINS } from '@tidy-reel/core/pictures/filter'
import { CALM } from '@tidy-reel/core/style/calm'
import { IDEA_STATES } from '@tidy-reel/core/topics/topic-views'
import { RENDER_STATES } from '@tidy-reel/core/views/episode'
import { LOCAL_OWNER } from './models.ts'

const FIRST = [
  'create table owners (id uuid primary key, name text not null)',
  `insert into owners values ('${LOCAL_OWNER}', 'Local')`,
  'create table channels (id uuid primary key, owner_id uuid not null references owners, name text not null)',
  `create table episodes (id uuid primary key, owner_id uuid not null references owners, channel_id uuid not null references channels,
    document jsonb not null, revision integer not null, deleted_at timestamptz, created_at timestamptz not null, updated_at timestamptz not null)`,
  'create index episodes_of_owner on episodes (owner_id, updated_at desc)',
  `create table changes (id bigserial primary key, owner_id uuid not null references owners, episode_id uuid not null references episodes on delete cascade,
    revision integer not null, actor text not null check (actor in ('person', 'matching')), command jsonb not null, inverse jsonb not null,
    created_at timestamptz not null, unique (episode_id, revision))`,
  `create table candidates (episode_id uuid not null references episodes on delete cascade, scene_id text not null, owner_id uuid not null references owners,
    text text not null, words jsonb not null, picks jsonb not null, primary key (episode_id, scene_id))`,
  `create table renders (id uuid primary key, owner_id uuid not null references owners, episode_id uuid not null references episodes on delete cascade,
    state text not null check (state in (${RENDER_STATES.map((s) => `'${s}'`).join(', ')})), shape jsonb not null, document jsonb not null,
    progress jsonb, report jsonb, fault jsonb, created_at timestamptz not null, updated_at timestamptz not null)`,
  'create index renders_of_episode on renders (episode_id, created_at desc)',
]

const HISTORY = [
  `alter table changes add column state text not null default 'done' check (state in ('done', 'undone', 'left'))`,
  'alter table changes add column key text, add unique (episode_id, key)',
  'create index changes_of_episode on changes (episode_id, state, revision)',
]

/**
 * Documents of version 2; what takes a change back is written otherwise since, so earlier changes
 * cannot be undone any more.
 */
const card = { shown: false, text: null, samples: 192_000 }
const SECOND_DOCUMENT = JSON.stringify({
  version: 2,
  transition: { kind: 'cut', samples: 0 },
  cards: { opening: card, closing: card },
})
const DOCUMENT_2 = [
  `update episodes set document = document || '${SECOND_DOCUMENT}'::jsonb where document->>'version' = '1'`,
  `update renders set document = document || '${SECOND_DOCUMENT}'::jsonb where document->>'version' = '1'`,
  `update changes set state = 'left'`,
  `create table versions (id uuid primary key, owner_id uuid not null references owners, episode_id uuid not null references episodes on delete cascade,
    name text not null, revision integer not null, document jsonb not null, created_at timestamptz not null)`,
  'create index versions_of_episode on versions (episode_id, created_at desc)',
]

/** Takes the documents of one version to the next: what came with it as it is by itself. */
const documentsOf = (version: number, more: string) =>
  ['episodes', 'renders', 'versions'].map(
    (table) =>
      `update ${table} set document = document || '${more}'::jsonb where document->>'version' = '${version}'`,
  )

/** Documents of version 3: wanted length, notes, claims and comments. */
const THIRD_DOCUMENT = JSON.stringify({
  version: 3,
  wantedMinutes: null,
  notes: '',
  claims: [],
  comments: [],
})
const DOCUMENT_3 = documentsOf(2, THIRD_DOCUMENT).concat(
  "alter table channels add column words jsonb not null default '[]'",
)

const TOPICS = [
  `create table watched_channels (id uuid primary key, owner_id uuid not null references owners, key text not null, name text not null, own boolean not null,
    films jsonb not null, taken_at timestamptz not null, unique (owner_id, key))`,
  `create table ideas (id uuid primary key, owner_id uuid not null references owners, title text not null, notes text not null, subject text not null,
    state text not null check (state in (${IDEA_STATES.map((s) => `'${s}'`).join(', ')})), episode_id uuid references episodes on delete set null, created_at timestamptz not null, updated_at timestamptz not null)`,
]

const WRITING = [
  'create table writings (episode_id uuid primary key references episodes on delete cascade, owner_id uuid not null references owners, writing jsonb not null)',
  'create table writer_settings (owner_id uuid primary key references owners, address text not null, model text not null, key text not null)',
]

/** Documents of version 4: how a film is spoken; what a channel says, likes and has spoken. */
const FOURTH_DOCUMENT = JSON.stringify({
  version: 4,
  speaking: {
    finish: 'documentary',
    pauses: 1,
    tighten: null,
    understudy: null,
    speakers: [],
    pronunciations: [],
  },
})
const DOCUMENT_4 = documentsOf(3, FOURTH_DOCUMENT).concat(
  "alter table channels add column pronunciations jsonb not null default '[]', add column favourite_voices jsonb not null default '[]'",
  `create table scene_takes (episode_id uuid not null references episodes on delete cascade, scene_id text not null, hash text not null, owner_id uuid not null references owners,
    text text not null, voice text not null, kind text not null check (kind in ('spoken', 'recorded')), samples integer not null, used_at timestamptz not null, primary key (episode_id, scene_id, hash))`,
)

/**
 * Documents of version 5: what a person told matching. Candidates are found anew: they tell more
 * now.
 */
const FIFTH_DOCUMENT = JSON.stringify({ version: 5, matching: { senses: [], refusals: [] } })
const DOCUMENT_5 = documentsOf(4, FIFTH_DOCUMENT).concat(
  'delete from candidates',
  'alter table candidates add column meanings jsonb not null, add column told jsonb not null',
)

/**
 * Documents of version 6: how pictures are made. Pictures the channel has, or chose; found by their
 * words.
 */
const SIXTH_DOCUMENT = JSON.stringify({ version: 6, making: { style: 'paper', without: '' } })
const DOCUMENT_6 = documentsOf(5, SIXTH_DOCUMENT).concat(
  `create table pictures (owner_id uuid not null references owners, id text not null, origin text not null check (origin in (${ORIGINS.map((o) => `'${o}'`).join(', ')})),
    kind text not null check (kind in ('clip', 'photo')), title text not null, description text not null, tags text[] not null, width integer not null, height integer not null, seconds real,
    orientation text not null, source text not null, licence text not null, licence_use text not null, author text not null, link text, people boolean not null, colours text[] not null default '{}',
    hash bit(64), sharpness real, file_name text, favourite boolean not null default false, collections text[] not null default '{}', added_at timestamptz not null default now(), used_at timestamptz, removed_at timestamptz, refused text check (refused in (${REFUSALS.map((r) => `'${r}'`).join(', ')})),
    words tsvector not null, primary key (owner_id, id))`,
  // Lists cannot be joined in a generated column (PostgreSQL takes that for changing with the
  // language), so a trigger keeps the words.
  `create function picture_words() returns trigger language plpgsql as $$ begin
    new.words := setweight(to_tsvector('english', new.title), 'A') || setweight(to_tsvector('english', array_to_string(new.tags, ' , ')), 'B') || setweight(to_tsvector('english', new.description), 'D'); return new; end $$`,
  'create trigger picture_words before insert or update of title, tags, description on pictures for each row execute function picture_words()',
  'create index pictures_words on pictures using gin (words)',
  'create index pictures_newest on pictures (owner_id, added_at desc, id) where removed_at is null',
  'create index pictures_used on pictures (owner_id, used_at desc) where used_at is not null',
  'create index pictures_favourite on pictures (owner_id, added_at desc) where favourite',
  'create index pictures_collections on pictures using gin (collections)',
  'create index pictures_refused on pictures (owner_id, added_at desc) where refused is not null',
)

/**
 * Documents of version 7: how pictures are chosen. Numbers worth showing are found when pictures
 * are looked for anew.
 */
const SEVENTH_DOCUMENT = JSON.stringify({
  version: 7,
  picking: { stills: null, longest: 8, without: [] },
})
const DOCUMENT_7 = documentsOf(6, SEVENTH_DOCUMENT).concat(
  'delete from candidates',
  'alter table candidates add column numbers jsonb not null',
  "create index pictures_called on pictures (owner_id, regexp_replace(file_name, '\\.[^.]+$', '')) where file_name is not null",
)

/** What the list shows of an episode; worked out when the list is next asked for. */
const EPISODE_FACTS = ['alter table episodes add column facts jsonb']

/** When the worker that has a job last said that it lives, and how many died over it. */
const JOB_BEATS = [
  `create table job_beats (
    job_id uuid primary key,
    at timestamptz not null default now(),
    deaths integer not null default 0
  )`,
]

/** Documents of version 8: what two people wrote over each other. */
const DOCUMENT_8 = documentsOf(7, JSON.stringify({ version: 8, conflicts: [] }))

/** Episodes that are put away. */
const ARCHIVE = ['alter table episodes add column archived_at timestamptz']

/** Documents of version 9: how quickly pictures change. What leads back to earlier ones says so too. */
const RHYTHM = `'{picking,rhythm}', '"usual"'`
const DOCUMENT_9 = [
  ...['episodes', 'renders', 'versions'].map(
    (table) =>
      `update ${table} set document = jsonb_set(document || '{"version": 9}'::jsonb, ${RHYTHM}) where document->>'version' = '8'`,
  ),
  `update candidates set told = jsonb_set(told, ${RHYTHM})`,
  `update changes set inverse = jsonb_set(inverse, '{fields,picking,rhythm}', '"usual"') where inverse->'fields' ? 'picking'`,
]

/** Documents of version 10: the house style a film follows, and how its words look. */
const DOCUMENT_10 = documentsOf(
  9,
  JSON.stringify({
    version: 10,
    style: CALM,
    lettering: CALM.lettering,
    subtitling: PLAIN_SUBTITLING,
    drawing: NOTHING_DRAWN,
    channel: '',
    next: '',
  }),
)

/** A channel's own house styles. */
const HOUSE_STYLES = [
  `create table house_styles (
    owner_id uuid not null,
    id text not null,
    style jsonb not null,
    created_at timestamptz not null default now(),
    updated_at timestamptz not null default now(),
    primary key (owner_id, id)
  )`,
]

/** Documents of version 11: a sign. Some of version 10 had been given one by then. */
const DOCUMENT_11 = ['episodes', 'renders', 'versions'].map(
  (table) =>
    `update ${table} set document = '{"sign": null}'::jsonb || document || '{"version": 11}'::jsonb where document->>'version' = '10'`,
)

/** Documents of version 12: music against voice, and the film's loudness. */
const DOCUMENT_12 = documentsOf(
  11,
  JSON.stringify({ version: 12, mixing: { below: 22, rise: 9, lufs: -14 } }),
)

/** Documents of version 13: who plays the music. */
const DOCUMENT_13 = documentsOf(
  12,
  JSON.stringify({ version: 13, score: { instruments: null, without: [] } }),
)

/** Documents of version 14: how the music is played, and sounds that come by themselves. */
const DOCUMENT_14 = ['episodes', 'renders', 'versions'].map(
  (table) =>
    `update ${table} set document = jsonb_set(document, '{score}', '${JSON.stringify({
      own: null,
      fullness: 'usual',
      sings: false,
      opens: 0,
      closes: 0,
    })}'::jsonb || (document->'score')) || '${JSON.stringify({
      version: 14,
      accents: { transitions: false, cards: false },
    })}'::jsonb where document->>'version' = '13'`,
)

/** Documents of version 15: colours of all pictures. */
const DOCUMENT_15 = documentsOf(14, JSON.stringify({ version: 15, grade: {} }))

/** Copies of finished films, of other kinds. */
const COPIES = [`alter table renders add column copies jsonb not null default '[]'`]

/** In order; one that has been published never changes. */
const MIGRATIONS: readonly [name: string, statements: readonly string[]][] = [
  ['001-first', FIRST],
  ['002-history', HISTORY],
  ['003-document-2', DOCUMENT_2],
  ['004-document-3', DOCUMENT_3],
  ['005-topics', TOPICS],
  ['006-writing', WRITING],
  ['007-document-4', DOCUMENT_4],
  ['008-document-5', DOCUMENT_5],
  ['009-document-6', DOCUMENT_6],
  ['010-document-7', DOCUMENT_7],
  ['011-episode-facts', EPISODE_FACTS],
  ['012-job-beats', JOB_BEATS],
  ['013-document-8', DOCUMENT_8],
  ['014-archive', ARCHIVE],
  ['015-document-9', DOCUMENT_9],
  ['016-document-10', DOCUMENT_10],
  ['017-house-styles', HOUSE_STYLES],
  ['018-document-11', DOCUMENT_11],
  ['019-document-12', DOCUMENT_12],
  ['020-document-13', DOCUMENT_13],
  ['021-document-14', DOCUMENT_14],
  ['022-document-15', DOCUMENT_15],
  ['023-copies', COPIES],
]

/** Brings the database to the newest layout; each step once, in a transaction. */
export async function migrate(sequelize: Sequelize): Promise<void> {
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(([name, statements]) => ({
      name,
      up: () =>
        sequelize.transaction(async (transaction) => {
          for (const statement of statements) await sequelize.query(statement, { transaction })
        }),
    })),
    context: sequelize,
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  })
  await umzug.up()
}
