import type { Beginning } from '../document/document.ts'
import { itemAt } from '../faults/certain.ts'
import type { Choice, Option, ShotSlot } from './choose.ts'
import { goesOnInto } from './goes-on.ts'
import type { SceneQuery } from './queries.ts'
import type { SceneToMatch } from './scene-to-match.ts'
import { shotsIn } from './shots-in.ts'

/** What is decided of a film before its pictures are chosen. */
export interface Decided {
  /** Seconds one picture is shown at most. */
  longest: number
  begins: ReadonlyMap<number, Beginning['how']>
  /** Items that stay, by scene. */
  kept: ReadonlyMap<number, readonly number[]>
}

/** Worth of going on where a person said so: more than anything that speaks against it. */
const SAID = 20
/** A scene shorter than this may show what the next one says: its picture begins here. */
const SHORT_SECONDS = 3.2
/** So many items of the next scene are weighed for it, at this share of their score. */
const NEXT = { items: 6, share: 0.35 }

/** The places of a film that pictures fill, in order: one a shot. */
export function slotsOf(
  scenes: readonly SceneToMatch[],
  queries: readonly SceneQuery[],
  lists: readonly (readonly Option[])[],
  { longest, begins, kept }: Decided,
): ShotSlot[] {
  return scenes.flatMap((scene, n): ShotSlot[] => {
    const decided = begins.get(n)
    const stay = kept.get(n)
    const shots = shotsIn(scene.seconds, longest)
    if (stay && stay.length >= shots)
      return [
        {
          scene: n,
          options: [],
          stake: 0,
          seconds: scene.seconds,
          kept: stay,
          isHeld: decided === 'hold',
        },
      ]
    const query = itemAt(queries, n)
    const free = decided === undefined ? goesOnInto(scenes[n - 1], scene, query) : undefined
    const hold = decided === 'hold' ? SAID : free
    const options = withNext(scenes, lists, n, kept)
    return Array.from({ length: shots }, (_, k) => ({
      scene: n,
      options,
      stake: query.stake,
      seconds: scene.seconds / shots,
      ...(k === 0 && hold !== undefined ? { hold } : {}),
    }))
  })
}

/** What a scene may show: for a very short one, that is what the next scene says too. */
function withNext(
  scenes: readonly SceneToMatch[],
  lists: readonly (readonly Option[])[],
  n: number,
  kept: Decided['kept'],
): readonly Option[] {
  const own = itemAt(lists, n)
  const [scene, next] = [itemAt(scenes, n), scenes[n + 1]]
  const isOne = next && next.chapter === scene.chapter && !next.picture && !kept.has(n + 1)
  if (!isOne || scene.seconds >= SHORT_SECONDS || scene.picture) return own
  const there = new Set(own.map(({ i }) => i))
  const more = itemAt(lists, n + 1)
    .slice(0, NEXT.items)
    .filter(({ i }) => !there.has(i))
  return [...own, ...more.map(({ i, score }) => ({ i, score: score * NEXT.share }))]
}

/** What is seen in a scene. */
export interface SeenInScene {
  /** Items chosen for it, in order. */
  shown: number[]
  /** The item that goes on into it. */
  held: number | undefined
}

/** Scene by scene, what was chosen and what goes on; scenes whose pictures stay show none chosen. */
export function seenInScenes(
  places: readonly ShotSlot[],
  taken: readonly Choice[],
): Map<number, SeenInScene> {
  const scenes = new Map<number, SeenInScene>()
  let seen: number | undefined
  places.forEach(({ scene, kept }, k) => {
    const { i, holds } = itemAt(taken, k)
    const of = scenes.get(scene) ?? { shown: [], held: undefined }
    scenes.set(scene, of)
    if (holds && !kept) of.held = seen
    if (!holds) seen = kept?.at(-1) ?? (i < 0 ? undefined : i)
    if (i >= 0) of.shown.push(i)
  })
  return scenes
}
