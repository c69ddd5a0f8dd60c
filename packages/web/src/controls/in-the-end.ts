/** Milliseconds after which what did not come is asked for again. */
const AGAIN_MS = 2000

/**
 * What is fetched after a room stands, there in the end: where it cannot be had, as while the server
 * is away, it is asked for again until it comes.
 *
 * @param isWanted false once nobody waits for it any more: then it is not asked for again, and the
 *   promise stays open
 */
export async function inTheEnd<Part>(
  load: () => Promise<Part>,
  isWanted: () => boolean = () => true,
): Promise<Part> {
  for (;;) {
    const part = await load().then(
      (came) => ({ came }),
      () => undefined,
    )
    if (part) return part.came
    await new Promise<void>((again) => {
      setTimeout(() => isWanted() && again(), AGAIN_MS)
    })
  }
}
