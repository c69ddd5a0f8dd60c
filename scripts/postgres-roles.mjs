/**
 * Who may use the database: a keeper that owns the server, and the program's own role, which owns
 * its database and nothing else. Both have random passwords, kept beside the data for this user
 * alone.
 */
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

export const KEEPER = 'tidy'
export const PROGRAM = 'tidy_program'
export const DATABASE = 'tidy'

/** Every connection proves itself; there is no socket. */
const ACCESS = 'host all all 127.0.0.1/32 scram-sha-256\n'

const secretFile = (folder) => join(folder, 'tidy-passwords.json')

export const newSecrets = () => ({
  keeper: randomBytes(24).toString('hex'),
  program: randomBytes(24).toString('hex'),
})

/** Beside the data they open, for the same user alone. */
export const keepSecrets = (folder, secrets) =>
  writeFileSync(secretFile(folder), JSON.stringify(secrets), { mode: 0o600 })

/** Undefined where there are none yet. */
export const secretsOf = (folder) =>
  existsSync(secretFile(folder)) ? JSON.parse(readFileSync(secretFile(folder), 'utf8')) : undefined

/** A folder of an earlier time let every user of the machine in. */
export const letsAllIn = (folder) => readFileSync(join(folder, 'pg_hba.conf'), 'utf8') !== ACCESS

/**
 * The program's role and database, with today's passwords. What an earlier time left to the keeper
 * is handed over.
 *
 * @param client connected as the keeper, to the database `postgres`
 * @param inDatabase gives a connection of the keeper's to a database
 */
export async function setUpRoles(client, secrets, folder, inDatabase) {
  const known = await client.query('select rolname from pg_roles where rolname = $1', [PROGRAM])
  if (!known.rowCount) await client.query(`create role ${PROGRAM} login nosuperuser`)
  await client.query(`alter role ${PROGRAM} password '${secrets.program}'`)
  await client.query(`alter role ${KEEPER} password '${secrets.keeper}'`)
  const { rows } = await client.query(
    `select pg_get_userbyid(datdba) as owner from pg_database where datname = '${DATABASE}'`,
  )
  if (!rows.length) await client.query(`create database ${DATABASE} owner ${PROGRAM}`)
  else if (rows[0].owner !== PROGRAM) {
    await client.query(`alter database ${DATABASE} owner to ${PROGRAM}`)
    await inDatabase(DATABASE, (other) => other.query(HAND_OVER))
  }
  if (letsAllIn(folder)) {
    writeFileSync(join(folder, 'pg_hba.conf'), ACCESS)
    await client.query('select pg_reload_conf()')
  }
}

const OURS = "nspname !~ '^pg_' and nspname <> 'information_schema'"
/** Sequences and indexes go with the table they belong to. */
const HAND_OVER = `do $$
declare one record;
begin
  for one in select nspname as name from pg_namespace where ${OURS} loop
    execute format('alter schema %I owner to ${PROGRAM}', one.name);
  end loop;
  for one in select c.oid::regclass as name from pg_class c join pg_namespace n on n.oid = relnamespace
    where relkind in ('r', 'p', 'v', 'm') and ${OURS} loop
    execute format('alter table %s owner to ${PROGRAM}', one.name);
  end loop;
  for one in select p.oid::regprocedure as name from pg_proc p join pg_namespace n on n.oid = pronamespace
    where ${OURS} loop
    execute format('alter routine %s owner to ${PROGRAM}', one.name);
  end loop;
  for one in select t.oid::regtype as name from pg_type t join pg_namespace n on n.oid = typnamespace
    where typtype in ('e', 'd') and ${OURS} loop
    execute format('alter type %s owner to ${PROGRAM}', one.name);
  end loop;
end $$`
