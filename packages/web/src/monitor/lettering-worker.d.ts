/** The address of libass's worker, which `vite.config.ts` ships as a file of its own. */
declare module 'virtual:lettering-worker' {
  const address: string
  export default address
}
