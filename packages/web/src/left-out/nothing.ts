/** In the place of a package that is left out of the client; see vite.config.ts. */
export {}
