import { minBy, sortBy } from 'lodash-es'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { proxy, thumbnail } from '../api/media.ts'

/** Stills of the monitor: the proxy, and its thumbnail until that has come. */
export interface StillShelf {
  /**
   * What can be drawn of an item now; undefined while nothing has come. `whole`: it is the proxy
   * itself.
   */
  get(id: string): { image: HTMLImageElement; whole: boolean } | undefined
}

const KEPT = 60
/** A thumbnail the library is still at is asked for again. */
const AGAIN_MS = 900
const TRIES = 30

/**
 * @param ready  whether an item's proxy has been made
 * @param onCome called whenever a picture has come
 * @param kept    how many are held
 * @param address of an item's whole picture
 */
export function stillShelf(
  ready: (id: string) => boolean,
  onCome: () => void,
  { kept = KEPT, address = proxy }: { kept?: number; address?: (id: string) => string } = {},
): StillShelf {
  const shelf = new Map<
    string,
    { whole?: HTMLImageElement; small?: HTMLImageElement; asked: boolean }
  >()
  const load = (
    address: (tries: number) => string,
    come: (image: HTMLImageElement) => void,
    tries = 0,
  ) => {
    const image = new Image()
    image.onload = () => {
      come(image)
      onCome()
    }
    image.onerror = () =>
      tries < TRIES && setTimeout(() => load(address, come, tries + 1), AGAIN_MS)
    image.src = address(tries)
  }
  return {
    get(id) {
      let entry = shelf.get(id)
      if (!entry) {
        if (shelf.size >= kept) shelf.delete(shelf.keys().next().value!)
        shelf.set(id, (entry = { asked: false }))
        const made = entry
        load(
          (tries) => thumbnail(id, tries),
          (image) => (made.small = image),
        )
      }
      if (!entry.asked && ready(id)) {
        entry.asked = true
        const made = entry
        load(
          () => address(id),
          (image) => (made.whole = image),
        )
      }
      const image = entry.whole ?? entry.small
      return image && { image, whole: image === entry.whole }
    },
  }
}

/** A clip in one of the monitor's players. */
export interface ClipPlace {
  id: string
  /** Seconds into the clip; beyond its end its last frame stands. */
  time: number
  /** How fast it runs; 0 stands still. */
  rate: number
}

export interface ClipDeck {
  /** A new frame is drawn: each player may show one place of it. */
  begin(): void
  /** The player standing at a place of a clip; undefined until it can be drawn. */
  show(place: ClipPlace): HTMLVideoElement | undefined
  /** Makes a clip ready to be shown from its place on. */
  ready(place: ClipPlace): void
  pause(): void
  close(): void
}

/** Two are seen beside each other, two give way to them, one is being made ready. */
const PLAYERS = 5
/**
 * A clip runs by itself until it is further off than this; setting it anew costs more than it
 * mends.
 */
const DRIFT_SECONDS = 0.09
const STILL_SECONDS = 0.012
/** So long before its end a clip still shows its last frame. */
const LAST_SECONDS = 0.02

/**
 * @param ready  whether an item's proxy has been made; there is nothing to play until it has
 * @param onCome called whenever a player has something new to draw
 */
export function clipDeck(ready: (id: string) => boolean, onCome: () => void): ClipDeck {
  const players = Array.from({ length: PLAYERS }, () => {
    const video = document.createElement('video')
    Object.assign(video, { muted: true, playsInline: true, preload: 'auto' })
    const player = { video, id: '', used: 0, drawn: 0 }
    video.addEventListener('seeked', onCome)
    video.addEventListener('loadeddata', onCome)
    return player
  })
  let turn = 0
  let drawing = 0
  const isFree = (player: (typeof players)[number]) => player.drawn !== drawing
  const load = (player: (typeof players)[number], id: string) => {
    player.id = id
    player.video.src = proxy(id)
  }
  // A clip that gives way to another part of itself is seen at two places at once.
  const playerFor = ({ id, time }: ClipPlace) => {
    const free = players.filter(isFree)
    let player = minBy(
      free.filter((candidate) => candidate.id === id),
      ({ video }) => Math.abs(video.currentTime - time),
    )
    if (!player) {
      player = itemAt(sortBy(free.length ? free : players, 'used'), 0)
      load(player, id)
    }
    player.used = ++turn
    return player
  }
  const set = ({ video }: (typeof players)[number], { time, rate }: ClipPlace) => {
    const duration = video.duration || Infinity
    const wanted = Math.max(0, Math.min(time, duration - LAST_SECONDS))
    const apart = Math.abs(video.currentTime - wanted)
    if (apart > (rate && !video.paused ? DRIFT_SECONDS : STILL_SECONDS) && !video.seeking)
      video.currentTime = wanted
    // Played on at its end it would begin again.
    if (rate > 0 && time < duration - LAST_SECONDS) {
      video.playbackRate = Math.min(8, rate)
      if (video.paused) void video.play().catch(() => undefined)
    } else if (!video.paused) video.pause()
  }
  return {
    begin: () => void drawing++,
    show(place) {
      if (!ready(place.id)) return undefined
      const player = playerFor(place)
      player.drawn = drawing
      set(player, place)
      return player.video.readyState >= 2 ? player.video : undefined
    },
    ready(place) {
      if (ready(place.id) && !players.some((player) => player.id === place.id && isFree(player)))
        set(playerFor(place), { ...place, rate: 0 })
    },
    pause() {
      for (const { video } of players) if (!video.paused) video.pause()
    },
    close() {
      for (const { video } of players) {
        video.pause()
        video.removeAttribute('src')
        video.load()
      }
    },
  }
}
