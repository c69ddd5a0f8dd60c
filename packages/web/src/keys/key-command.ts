/** Something a person can do in a room: found among all commands, on the sheet of keys, and under its keys. */
export interface KeyCommand {
  name: string
  /** The heading it stands under. */
  group: string
  /** As `keyOf` writes them; none for what is reached through the list of commands alone. */
  keys: readonly string[]
  /** @param key the one it was called by; none from the list */
  run: (key?: string) => unknown
  /** Also while a field has the cursor, or a button the focus. */
  everywhere?: boolean
}

/** Keys that a field or a list hears by itself, told on the sheet of keys. */
export interface ToldKeys {
  group: string
  lines: readonly (readonly [key: string, what: string])[]
}

/** Makes commands that stand under one heading. */
export const commandsUnder =
  (group: string) =>
  (name: string, keys: readonly string[], run: () => unknown): KeyCommand => ({
    group,
    name,
    keys,
    run,
  })
