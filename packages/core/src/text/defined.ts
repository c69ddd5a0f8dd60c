/**
 * An object without those of its fields that are undefined: what JSON leaves out is not there.
 *
 * @example defined({ a: 1, b: undefined }) // => { a: 1 }
 */
export const defined = <Fields extends object>(
  fields: Fields,
): { [Name in keyof Fields]: Exclude<Fields[Name], undefined> } =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
    [Name in keyof Fields]: Exclude<Fields[Name], undefined>
  }
