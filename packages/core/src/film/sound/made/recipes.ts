import {
  bandPassed,
  burst,
  highPassed,
  laid,
  lowPassed,
  moments,
  pinkNoise,
  samplesOf,
  shaped,
  type Sound,
  struck,
  sung,
  wandering,
  whiteNoise,
} from './synthesis.ts'

type Random = () => number

/**
 * Air that moves, for so many seconds: noise in a band around `hz` that wanders, louder where it is
 * higher.
 */
export function wind(seconds: number, random: Random, { hz, gust }: { hz: number; gust: number }) {
  const strength = wandering(random, seconds, 2.6)
  const source = pinkNoise(seconds, random)
  const soft = shaped(bandPassed(source, hz, 0.9), (at) => 1 - gust * strength(at))
  const sharp = shaped(bandPassed(source, hz * 2.3, 1.6), (at) => gust * strength(at) ** 2)
  return laid(seconds, [
    { at: 0, sound: soft, gain: 1.4 },
    { at: 0, sound: sharp, gain: 1.2 },
  ])
}

/**
 * Drops on ground or glass, for so many seconds: a hiss of those far away, each near one by itself.
 */
export function rain(
  seconds: number,
  random: Random,
  { drops, hiss, hz }: { drops: number; hiss: number; hz: number },
): Sound {
  const far = highPassed(pinkNoise(seconds, random), hz / 2)
  const near = moments(random, seconds, drops).map((at) => ({
    at,
    sound: struck(0.03, [{ hz: hz * (0.7 + 0.9 * random()), gain: 0.5 + random(), seconds: 0.02 }]),
    gain: 0.12,
  }))
  return laid(seconds, [{ at: 0, sound: far, gain: hiss }, ...near])
}

/** Waves on a shore, for so many seconds: each swells, breaks with a hiss and runs back. */
export function waves(
  seconds: number,
  random: Random,
  { every, hz }: { every: number; hz: number },
): Sound {
  const starts: number[] = []
  for (let at = -every * random(); at < seconds; at += every * (0.75 + 0.5 * random()))
    starts.push(at)
  const parts = starts.map((at) => {
    const length = every * 1.3
    const water = pinkNoise(length, random)
    const swell = shaped(lowPassed(water, hz), (s) => Math.sin((Math.PI * s) / length) ** 2)
    const foam = shaped(highPassed(water, hz * 2), (s) => {
      const share = s / length
      return share < 0.45 ? (share / 0.45) ** 4 : Math.exp(-5 * (share - 0.45))
    })
    return [
      { at, sound: swell, gain: 1.2 },
      { at, sound: foam, gain: 0.5 },
    ]
  })
  return laid(seconds, parts.flat())
}

/** A fire of so many seconds: a low breath, and cracks as chance has it, so many a second. */
export function fire(seconds: number, random: Random, { cracks }: { cracks: number }): Sound {
  const breath = wandering(random, seconds, 0.5)
  const glow = shaped(lowPassed(pinkNoise(seconds, random), 300), (at) => 0.5 + 0.5 * breath(at))
  const parts = moments(random, seconds, cracks).map((at) => {
    const length = 0.004 + 0.03 * random()
    const crack = shaped(whiteNoise(length, random), burst(0.0005, length))
    return { at, sound: bandPassed(crack, 1200 + 4000 * random(), 1.5), gain: 0.4 + random() }
  })
  return laid(seconds, [{ at: 0, sound: glow, gain: 0.9 }, ...parts])
}

/**
 * A machine that runs for so many seconds: a tone of the mains or a motor, its overtones and a breath
 * of air.
 */
export function hum(
  seconds: number,
  random: Random,
  { hz, air }: { hz: number; air: number },
): Sound {
  const drift = wandering(random, seconds, 3)
  const tone = sung(
    seconds,
    (at) => hz * (1 + 0.004 * drift(at)),
    [0.5, 0.35, 0.2, 0.14, 0.08, 0.05],
  )
  return laid(seconds, [
    { at: 0, sound: tone, gain: 0.5 },
    { at: 0, sound: lowPassed(pinkNoise(seconds, random), 900), gain: air },
  ])
}

/** A clock of so many seconds: two different strokes, evenly. */
export function clock(
  seconds: number,
  random: Random,
  { every, hz }: { every: number; hz: number },
): Sound {
  const stroke = (pitch: number) =>
    struck(0.12, [
      { hz: pitch, gain: 0.6, seconds: 0.03 },
      { hz: pitch * 1.71, gain: 0.35, seconds: 0.02 },
      { hz: pitch * 2.9, gain: 0.25, seconds: 0.012 },
    ])
  const [tick, tock] = [stroke(hz), stroke(hz * 0.86)]
  const parts = Array.from({ length: Math.ceil(seconds / every) }, (_, i) => ({
    at: 0.02 + i * every,
    sound: i % 2 ? tock : tick,
    gain: 0.9 + 0.1 * random(),
  }))
  return laid(seconds, parts)
}

/** Partials of a church bell against its strike note (Rayleigh, from memory). */
const BELL = [
  [0.5, 1, 1],
  [1, 0.9, 0.7],
  [1.2, 0.7, 0.55],
  [1.5, 0.5, 0.4],
  [2, 0.6, 0.45],
  [2.5, 0.3, 0.25],
  [3, 0.25, 0.2],
  [4.2, 0.15, 0.12],
] as const

/** A bell of a size, struck once or again and again within so many seconds. */
export function bell(
  seconds: number,
  _random: Random,
  { hz, rings, every }: { hz: number; rings: number; every?: number },
): Sound {
  const one = struck(
    Math.min(seconds, rings * 1.2),
    BELL.map(([ratio, gain, share]) => ({
      hz: hz * ratio,
      gain: gain / 3,
      seconds: rings * share,
    })),
  )
  const soft = shaped(one, (at) => Math.min(1, at / 0.002))
  const count = every ? Math.ceil(seconds / every) : 1
  return laid(
    seconds,
    Array.from({ length: count }, (_, i) => ({ at: i * (every ?? 0), sound: soft })),
  )
}

/** Something that passes within so many seconds: noise whose band rises and falls. */
export function whoosh(
  seconds: number,
  random: Random,
  { from, to }: { from: number; to: number },
): Sound {
  const steps = 24
  const length = (2 * seconds) / steps
  const parts = Array.from({ length: steps }, (_, i) => {
    const share = i / (steps - 1)
    const hz = from * (to / from) ** share
    const grain = shaped(whiteNoise(length, random), (at) => Math.sin((Math.PI * at) / length) ** 2)
    return {
      at: share * (seconds - length),
      sound: bandPassed(grain, hz, 1.1),
      gain: Math.sin(Math.PI * share) ** 1.5,
    }
  })
  return laid(seconds, parts)
}

/** Something heavy that falls or shuts; silent for what is left of its seconds. */
export function thump(
  seconds: number,
  random: Random,
  { hz, body }: { hz: number; body: number },
): Sound {
  const drop = shaped(
    sung(seconds, (at) => hz * (0.45 + 0.55 * Math.exp(-at * 18))),
    burst(0.003, body),
  )
  const touch = shaped(lowPassed(whiteNoise(0.05, random), 1800), burst(0.0008, 0.03))
  return laid(seconds, [
    { at: 0, sound: drop },
    { at: 0, sound: touch, gain: 0.5 },
  ])
}

/** A switch, a latch, a key: short and hard, then nothing for the rest of its seconds. */
export function click(
  seconds: number,
  random: Random,
  { hz, again }: { hz: number; again?: number },
): Sound {
  const snap = laid(0.06, [
    {
      at: 0,
      sound: struck(0.06, [
        { hz, gain: 0.6, seconds: 0.02 },
        { hz: hz * 1.9, gain: 0.4, seconds: 0.012 },
      ]),
    },
    { at: 0, sound: shaped(whiteNoise(0.01, random), burst(0.0003, 0.006)), gain: 0.5 },
  ])
  const second = again ? [{ at: again, sound: snap, gain: 0.6 }] : []
  return laid(seconds, [{ at: 0, sound: snap }, ...second])
}

/** Paper, leaves, cloth: many small rubs within so many seconds. */
export function rustle(
  seconds: number,
  random: Random,
  { aSecond, hz }: { aSecond: number; hz: number },
): Sound {
  const hand = wandering(random, seconds, 0.25)
  const parts = moments(random, seconds, aSecond).map((at) => {
    const length = 0.01 + 0.05 * random()
    const rub = shaped(whiteNoise(length, random), (s) => Math.sin((Math.PI * s) / length))
    return { at, sound: bandPassed(rub, hz * (0.6 + random()), 0.8), gain: hand(at) ** 2 }
  })
  return laid(seconds, parts)
}

/** Many who speak at once, none of them understood. */
export function crowd(
  seconds: number,
  random: Random,
  { voices, near }: { voices: number; near: number },
): Sound {
  const parts = Array.from({ length: voices }, () => {
    const pitch = 95 + 130 * random()
    const melody = wandering(random, seconds, 0.35)
    const syllables = wandering(random, seconds, 0.11)
    const throat = sung(
      seconds,
      (at) => pitch * (0.9 + 0.25 * melody(at)),
      [1, 0.7, 0.55, 0.4, 0.3, 0.22, 0.16, 0.12, 0.09, 0.07],
    )
    const said = shaped(throat, (at) => Math.max(0, syllables(at) - 0.35))
    const mouth = 420 + 500 * random()
    return laid(seconds, [
      { at: 0, sound: bandPassed(said, mouth, 3) },
      { at: 0, sound: bandPassed(said, mouth * 2.6, 5), gain: 0.5 * near },
    ])
  })
  return laid(
    seconds,
    parts.map((sound) => ({ at: 0, sound, gain: 1 / Math.sqrt(voices) })),
  )
}

/** Birds, for so many seconds: calls that glide, each bird with its own. */
export function birds(
  seconds: number,
  random: Random,
  { hz, aSecond, glide, length }: { hz: number; aSecond: number; glide: number; length: number },
): Sound {
  const parts = moments(random, seconds, aSecond).map((at) => {
    const pitch = hz * (0.75 + 0.5 * random())
    const lasts = length * (0.6 + 0.8 * random())
    const bend = glide * (random() < 0.5 ? 1 : -1)
    const call = sung(
      lasts,
      (s) => pitch * (1 + bend * (s / lasts) + 0.03 * Math.sin(2 * Math.PI * 28 * s)),
      [1, 0.15],
    )
    const shape = (s: number) => Math.sin(Math.PI * Math.min(1, s / lasts)) ** 0.7
    return { at, sound: shaped(call, shape), gain: 0.15 + 0.5 * random() ** 2 }
  })
  return laid(seconds, parts)
}

/** A horn or whistle of a ship or a lighthouse, within so many seconds. */
export function horn(
  seconds: number,
  random: Random,
  { hz, breath }: { hz: number; breath: number },
): Sound {
  const ends = (at: number) => Math.min(1, at / 0.12, Math.max(0, seconds - at) / 0.35)
  const tone = sung(
    seconds,
    (at) => hz * (1 - 0.015 * Math.exp(-at * 6)),
    [0.5, 0.42, 0.36, 0.3, 0.22, 0.16, 0.1, 0.07, 0.05],
  )
  return shaped(
    laid(seconds, [
      { at: 0, sound: lowPassed(tone, hz * 9), gain: 0.6 },
      { at: 0, sound: bandPassed(whiteNoise(seconds, random), hz * 5, 0.6), gain: breath },
    ]),
    ends,
  )
}

/** Thunder of so many seconds: a crack, then a roll that dies away. */
export function thunder(seconds: number, random: Random, { crack }: { crack: number }): Sound {
  const roll = wandering(random, seconds, 0.22)
  const low = shaped(
    lowPassed(pinkNoise(seconds, random), 170),
    (at) => (0.25 + roll(at)) * Math.min(1, at / 0.15) * Math.exp(-1.1 * at),
  )
  const hit = shaped(lowPassed(whiteNoise(0.7, random), 2600), burst(0.004, 0.6))
  return laid(seconds, [
    { at: 0, sound: low, gain: 3.2 },
    { at: 0.03, sound: hit, gain: crack },
  ])
}

/** Footsteps for so many seconds: heel and sole, on something hard or soft. */
export function steps(
  seconds: number,
  random: Random,
  { every, hz, grit }: { every: number; hz: number; grit: number },
): Sound {
  const count = Math.ceil(seconds / every)
  const parts = Array.from({ length: count }, (_, i) => {
    const at = 0.03 + i * every * (0.98 + 0.04 * random())
    const heel = thump(0.2, random, { hz, body: 0.09 })
    const sole = shaped(bandPassed(whiteNoise(0.14, random), hz * 16, 0.7), burst(0.02, 0.1))
    const side = i % 2 ? 0.85 : 1
    return [
      { at, sound: heel, gain: 0.7 * side },
      { at: at + 0.05, sound: sole, gain: grit * side },
    ]
  })
  return laid(seconds, parts.flat())
}

/** Water that runs or drips for so many seconds: bubbles that rise in pitch as they close. */
export function bubbles(
  seconds: number,
  random: Random,
  { aSecond, hz, flow }: { aSecond: number; hz: number; flow: number },
): Sound {
  const parts = moments(random, seconds, aSecond).map((at) => {
    const pitch = hz * (0.5 + 1.5 * random() ** 2)
    const length = 0.03 + 0.09 * random()
    const drop = sung(length, (s) => pitch * (1 + (0.5 * s) / length))
    return { at, sound: shaped(drop, burst(0.002, length)), gain: 0.1 + 0.3 * random() }
  })
  const run = bandPassed(pinkNoise(seconds, random), 900, 0.5)
  return laid(seconds, [{ at: 0, sound: run, gain: flow }, ...parts])
}

/** One drop that falls into water at `hz`, then nothing for the rest of its seconds. */
export function drop(seconds: number, _random: Random, { hz }: { hz: number }): Sound {
  const fall = sung(0.12, (at) => hz * (1 + 5 * at))
  return laid(seconds, [{ at: 0.02, sound: shaped(fall, burst(0.002, 0.12)) }])
}

/** Small hard things that are struck again and again for so many seconds: keys, hail, a hammer. */
export function taps(
  seconds: number,
  random: Random,
  { aSecond, hz, even, rings }: { aSecond: number; hz: number; even?: boolean; rings: number },
): Sound {
  const steady = Array.from({ length: Math.ceil(seconds * aSecond) }, (_, i) => i / aSecond)
  const places = even ? steady : moments(random, seconds, aSecond)
  const parts = places.map((at) => {
    const pitch = hz * (0.8 + 0.4 * random())
    const modes = [1, 1.83, 2.71].map((ratio, n) => ({
      hz: pitch * ratio,
      gain: 0.5 / (n + 1),
      seconds: rings / (n + 1),
    }))
    const touch = shaped(whiteNoise(0.02, random), burst(0.0005, 0.015))
    const hit = laid(Math.max(0.05, rings), [
      { at: 0, sound: struck(rings, modes) },
      { at: 0, sound: highPassed(touch, hz / 2), gain: 0.3 },
    ])
    return { at, sound: shaped(hit, (s) => Math.min(1, s / 0.001)), gain: 0.5 + 0.5 * random() }
  })
  return laid(seconds, parts)
}

/**
 * Something that is drawn to and fro, or breathes, for so many seconds: strokes of noise, evenly.
 */
export function strokes(
  seconds: number,
  random: Random,
  { every, hz, share, back }: { every: number; hz: number; share: number; back: number },
): Sound {
  const length = every * share
  const count = Math.ceil(seconds / every)
  const stroke = (pitch: number) =>
    shaped(bandPassed(pinkNoise(length, random), pitch, 0.8), (s) =>
      Math.sin(Math.PI * Math.min(1, s / length)),
    )
  const parts = Array.from({ length: count }, (_, i) => [
    { at: i * every, sound: stroke(hz), gain: 0.85 + 0.15 * random() },
    { at: (i + 0.5) * every, sound: stroke(hz * 0.75), gain: back },
  ])
  return laid(seconds, parts.flat())
}

/** Tones that come and go for so many seconds: an alarm, a telephone, a sounder. */
export function beeps(
  seconds: number,
  _random: Random,
  { hz, pattern, warble }: { hz: number; pattern: readonly [number, number][]; warble?: number },
): Sound {
  const round = Math.max(...pattern.map(([at, lasts]) => at + lasts)) + 0.02
  const rounds = Math.ceil(seconds / round)
  const parts = Array.from({ length: rounds }, (_, i) =>
    pattern.map(([at, lasts]) => {
      const pitch = (s: number) => (warble && Math.floor(s * warble) % 2 ? hz * 1.25 : hz)
      const ends = (s: number) => Math.min(1, s / 0.005, Math.max(0, lasts - s) / 0.01)
      return { at: i * round + at, sound: shaped(sung(lasts, pitch, [0.7, 0.2, 0.1]), ends) }
    }),
  )
  return laid(seconds, parts.flat())
}

/** Many hands that clap, for so many seconds. */
export function applause(seconds: number, random: Random, { hands }: { hands: number }): Sound {
  const parts = moments(random, seconds, hands).map((at) => {
    const clap = shaped(whiteNoise(0.03, random), burst(0.001, 0.02))
    return { at, sound: bandPassed(clap, 900 + 1600 * random(), 1.2), gain: 0.3 + random() }
  })
  return laid(seconds, parts)
}

/** Wings and small engines, for so many seconds: a rich tone whose pitch and strength wander. */
export function buzz(
  seconds: number,
  random: Random,
  { hz, voices }: { hz: number; voices: number },
): Sound {
  const parts = Array.from({ length: voices }, () => {
    const [pitch, near] = [wandering(random, seconds, 0.4), wandering(random, seconds, 1.1)]
    const own = hz * (0.85 + 0.3 * random())
    const tone = sung(seconds, (at) => own * (0.95 + 0.1 * pitch(at)), [1, 0.6, 0.45, 0.3, 0.2])
    return { at: 0, sound: shaped(tone, near), gain: 1 / voices }
  })
  return laid(seconds, parts)
}

/** The largest sample of a sound brought to a level; silence stays silence. */
export function peakedAt(sound: Sound, level: number): Sound {
  const peak = sound.reduce((most, x) => Math.max(most, Math.abs(x)), 0)
  return peak ? sound.map((x) => (x * level) / peak) : sound
}

/** The end of a sound laid under its beginning, so that it can follow itself; shorter by `seconds`. */
export function looped(sound: Sound, seconds: number): Sound {
  const over = Math.min(samplesOf(seconds), sound.length >> 1)
  const out = sound.slice(0, sound.length - over)
  for (let i = 0; i < over; i++) {
    // Equal power: both halves are strangers to each other.
    const share = (Math.PI / 2) * (i / over)
    out[i] = out[i]! * Math.sin(share) + sound[out.length + i]! * Math.cos(share)
  }
  return out
}
