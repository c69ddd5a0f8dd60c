/** In the place of a package that is left out of the client; see vite.config.ts. */
export class TinyColor {
  constructor() {
    throw new Error('A button has no colour of its own here; see left-out/no-tiny-color.ts.')
  }
}
