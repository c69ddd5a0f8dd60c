/** The result of a command on standard output: lines for people, one JSON value for programs. */
export const print = (value: unknown) =>
  process.stdout.write(`${typeof value === 'string' ? value : JSON.stringify(value)}\n`)
