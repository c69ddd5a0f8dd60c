const EVERY_MS = 40

/**
 * Waits until something of the page is so, looking again and again: for what no event tells.
 *
 * @returns false where it is not within `mostMs`
 */
export function whenTrue(isSo: () => boolean, mostMs: number): Promise<boolean> {
  const begun = Date.now()
  return new Promise((resolve) => {
    const looking = setInterval(() => {
      const came = isSo()
      if (!came && Date.now() - begun < mostMs) return
      clearInterval(looking)
      resolve(came)
    }, EVERY_MS)
  })
}
