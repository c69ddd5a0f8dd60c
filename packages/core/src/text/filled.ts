/**
 * A pattern with names put in; one that is not known stays as it is written.
 *
 * @example filled('{title}, {x}', { title: 'Tides' }) // => 'Tides, {x}'
 */
export const filled = (pattern: string, names: Readonly<Record<string, string>>): string =>
  pattern.replace(/\{([a-z]+)\}/g, (written, name: string) =>
    Object.hasOwn(names, name) ? (names[name] ?? written) : written,
  )
