import { alpha } from './colour.ts'
import type { Random } from './random.ts'
import { BLEED, type Ctx, type Stage } from './stage.ts'

/** A smooth line of heights over the whole width, by midpoint displacement. */
export function ridgeLine(
  random: Random,
  width: number,
  base: number,
  height: number,
  roughness: number,
): [x: number, y: number][] {
  let heights = [random.between(-1, 1), random.between(-1, 1), random.between(-1, 1)]
  let reach = 1
  for (let level = 0; level < 6; level++) {
    reach *= roughness
    heights = heights.flatMap((h, i) =>
      i + 1 < heights.length ? [h, (h + heights[i + 1]!) / 2 + random.between(-reach, reach)] : [h],
    )
  }
  const left = -BLEED
  const step = (width + 2 * BLEED) / (heights.length - 1)
  return heights.map((h, i) => [
    left + i * step,
    base - height * (0.5 + 0.5 * Math.max(-1, Math.min(1, h))),
  ])
}

/** Closes a line of heights down to the foot of the stage. */
export function under(line: readonly (readonly [number, number])[], foot: number) {
  return (ctx: Ctx) => {
    line.forEach(([x, y], i) => (i ? ctx.lineTo(x, y) : ctx.moveTo(x, y)))
    ctx.lineTo(line.at(-1)![0], foot)
    ctx.lineTo(line[0]![0], foot)
    ctx.closePath()
  }
}

export const heightAt = (line: readonly (readonly [number, number])[], x: number) =>
  line.reduce((a, b) => (Math.abs(b[0] - x) < Math.abs(a[0] - x) ? b : a))[1]

/** Hills or mountains from edge to edge. */
export function ridge(
  stage: Stage,
  depth: number,
  colour: string,
  base: number,
  height: number,
  roughness: number,
) {
  const line = ridgeLine(stage.random, stage.width, base, height, roughness)
  stage.layer(
    depth,
    (ctx) =>
      stage.sheet(ctx, under(line, stage.height + BLEED), colour, depth, base - height, base + 260),
    { top: base - height - 60 },
  )
  return line
}

/** One sheet of water with a scalloped edge that rocks gently. */
export function wave(
  stage: Stage,
  depth: number,
  colour: string,
  y: number,
  size: number,
  length: number,
) {
  const phase = stage.random.between(0, 6)
  const path = (ctx: Ctx) => {
    ctx.moveTo(-BLEED, stage.height + BLEED)
    for (let x = -BLEED; x <= stage.width + BLEED; x += 12) {
      const crest = Math.abs(Math.sin((x / length) * Math.PI + phase))
      ctx.lineTo(x, y + size * crest)
    }
    ctx.lineTo(stage.width + BLEED, stage.height + BLEED)
    ctx.closePath()
  }
  const period = 4.5 + stage.random.between(0, 2)
  stage.layer(depth, (ctx) => stage.sheet(ctx, path, colour, depth, y, y + 320), {
    top: y - 50,
    motion: (t) => ({
      dx: Math.sin((t / period) * 2 * Math.PI + phase) * 16 * depth,
      dy: Math.sin((t / period) * 4 * Math.PI + phase) * 5 * depth,
    }),
  })
}

export function sky(
  stage: Stage,
  options: { clouds?: number; disc?: readonly [number, number] | false; stars?: boolean } = {},
) {
  const { light, random, width, height } = stage
  stage.layer(0, (ctx) => {
    const fill = ctx.createLinearGradient(0, 0, 0, height * 0.8)
    light.sky.forEach((colour, i) => fill.addColorStop([0, 0.55, 1][i]!, colour))
    stage.paper(ctx, (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED), fill, 0)
  })
  if (options.stars ?? light.time === 'night') stars(stage, 130)
  const at = options.disc ?? [
    width * random.between(0.2, 0.8),
    height *
      (light.time === 'day' || light.time === 'night'
        ? random.between(0.12, 0.26)
        : random.between(0.36, 0.46)),
  ]
  if (light.disc && at) disc(stage, at[0], at[1])
  for (let i = 0; i < (options.clouds ?? 3); i++)
    cloud(
      stage,
      random.between(0, width),
      height * random.between(0.08, 0.4),
      random.between(0.55, 1.25),
      0.06 + i * 0.05,
    )
}

export function disc(stage: Stage, x: number, y: number) {
  const { colour, glow, size } = stage.light.disc!
  stage.layer(0.02, (ctx) => {
    const halo = ctx.createRadialGradient(x, y, size, x, y, size * 6)
    halo.addColorStop(0, alpha(glow, 0.55))
    halo.addColorStop(1, alpha(glow, 0))
    ctx.fillStyle = halo
    ctx.fillRect(x - size * 6, y - size * 6, size * 12, size * 12)
    stage.paper(ctx, (c) => c.arc(x, y, size, 0, Math.PI * 2), colour)
    if (stage.light.time !== 'night') return
    ctx.fillStyle = 'rgba(150,150,150,0.25)'
    for (const [dx, dy, r] of [
      [-18, -10, 12],
      [14, 12, 16],
      [20, -22, 7],
      [-8, 24, 8],
    ] as const) {
      ctx.beginPath()
      ctx.arc(x + dx, y + dy, r, 0, Math.PI * 2)
      ctx.fill()
    }
  })
}

export function stars(stage: Stage, count: number, low = 0.65) {
  const points = Array.from({ length: count }, () => ({
    x: stage.random.between(-60, stage.width + 60),
    y: stage.random.between(-40, stage.height * low),
    size: stage.random.between(1, 3.2),
    phase: stage.random.between(0, 6),
  }))
  stage.live(0.01, (ctx, t) => {
    for (const { x, y, size, phase } of points) {
      ctx.globalAlpha = 0.55 + 0.4 * Math.sin(t * 0.9 + phase)
      ctx.fillStyle = '#f6f1dd'
      ctx.beginPath()
      ctx.arc(x, y, size, 0, Math.PI * 2)
      ctx.fill()
    }
  })
}

export function cloud(
  stage: Stage,
  x: number,
  y: number,
  size: number,
  depth: number,
  colour = '#ffffff',
) {
  const puffs = Array.from({ length: 5 }, (_, i) => ({
    x: x + (i - 2) * 62 * size,
    y: y - (i % 2 ? 26 : 0) * size - (i === 2 ? 34 * size : 0),
    r: (48 + stage.random.between(-8, 18) + (i === 2 ? 20 : 0)) * size,
  }))
  const speed = stage.random.between(2, 7)
  stage.layer(
    depth,
    (ctx) => {
      const path = (c: Ctx) => {
        for (const puff of puffs) {
          c.moveTo(puff.x + puff.r, puff.y)
          c.arc(puff.x, puff.y, puff.r, 0, Math.PI * 2)
        }
        c.roundRect(x - 170 * size, y - 4 * size, 340 * size, 54 * size, 27 * size)
      }
      stage.paper(ctx, path, stage.lit(colour, Math.min(0.9, 0.25 + depth)), 0)
    },
    {
      left: x - 260 * size,
      right: x + 260 * size,
      top: y - 180 * size,
      bottom: y + 110 * size,
      motion: (t) => ({ dx: t * speed }),
    },
  )
}

export function pine(ctx: Ctx, x: number, foot: number, size: number) {
  ctx.moveTo(x - size * 0.05, foot)
  ctx.lineTo(x - size * 0.05, foot - size * 0.16)
  for (let i = 0; i < 3; i++) {
    const y = foot - size * (0.14 + i * 0.27)
    const half = size * (0.3 - i * 0.07)
    ctx.lineTo(x - half, y)
    ctx.lineTo(x - half * 0.38, y - size * 0.26)
  }
  ctx.lineTo(x, foot - size)
  for (let i = 2; i >= 0; i--) {
    const y = foot - size * (0.14 + i * 0.27)
    const half = size * (0.3 - i * 0.07)
    ctx.lineTo(x + half * 0.38, y - size * 0.26)
    ctx.lineTo(x + half, y)
  }
  ctx.lineTo(x + size * 0.05, foot - size * 0.16)
  ctx.lineTo(x + size * 0.05, foot)
  ctx.closePath()
}

export function roundTree(
  stage: Stage,
  ctx: Ctx,
  x: number,
  foot: number,
  size: number,
  depth: number,
  leaf: string,
) {
  stage.paper(
    ctx,
    (c) => c.rect(x - size * 0.045, foot - size * 0.5, size * 0.09, size * 0.5),
    stage.lit('#6b4a36', depth),
    0.1,
  )
  const crown = (c: Ctx) => {
    for (const [dx, dy, r] of [
      [0, -0.72, 0.27],
      [-0.2, -0.56, 0.2],
      [0.21, -0.55, 0.21],
    ] as const) {
      c.moveTo(x + dx * size + r * size, foot + dy * size)
      c.arc(x + dx * size, foot + dy * size, r * size, 0, Math.PI * 2)
    }
  }
  stage.paper(ctx, crown, stage.lit(leaf, depth), 0.14)
}

/** A row of houses or towers standing on a line, windows lit when it is dark. */
export function buildings(
  stage: Stage,
  depth: number,
  foot: number,
  low: number,
  high: number,
  colours: readonly string[],
  options: { roofs?: boolean; wide?: number } = {},
) {
  const { random } = stage
  const wide = options.wide ?? 130
  stage.layer(
    depth,
    (ctx) => {
      for (let x = -BLEED; x < stage.width + BLEED;) {
        const w = wide * random.between(0.75, 1.35)
        const h = random.between(low, high)
        const colour = stage.lit(random.pick(colours), depth)
        if (options.roofs)
          stage.paper(
            ctx,
            (c) => {
              c.moveTo(x - 8, foot - h)
              c.lineTo(x + w / 2, foot - h - w * random.between(0.4, 0.62))
              c.lineTo(x + w + 8, foot - h)
              c.closePath()
            },
            stage.lit('#8a4a3c', depth),
            0.12,
          )
        stage.paper(ctx, (c) => c.rect(x, foot - h, w, h + BLEED), colour, 0.12)
        windows(stage, ctx, x, foot - h, w, h, options.roofs ? 44 : 40)
        x += w + (options.roofs ? 0 : random.between(-6, 26))
      }
    },
    { top: foot - high - wide },
  )
}

function windows(stage: Stage, ctx: Ctx, x: number, y: number, w: number, h: number, step: number) {
  const dark = 'rgba(20,24,44,0.34)'
  const columns = Math.max(1, Math.floor((w - 20) / step))
  const inset = (w - (columns - 1) * step) / 2
  for (let r = 0; r * step + 30 < h - 10; r++)
    for (let c = 0; c < columns; c++) {
      const on = stage.light.lampsLit && stage.random.next() < 0.55
      const warm = on && stage.random.next() < 0.8
      const glass = warm ? '#ffd98a' : '#ffeec4'
      ctx.fillStyle = on ? glass : dark
      ctx.fillRect(x + inset + c * step - 9, y + 24 + r * step, 18, 24)
    }
}

/** Heights a second and opacity of what falls: far away, and how much more near by. */
const FALLING = {
  rain: { speed: [1.1, 0.9], opacity: [0.16, 0.26] },
  snow: { speed: [0.05, 0.08], opacity: [0.5, 0.4] },
  dust: { speed: [-0.008, 0], opacity: [0.18, 0.2] },
} as const

/** Rain, snow or drifting specks over the whole picture. */
export function weather(stage: Stage, kind: 'rain' | 'snow' | 'dust') {
  const count = kind === 'rain' ? 190 : 120
  const drops = Array.from({ length: count }, () => ({
    x: stage.random.next(),
    y: stage.random.next(),
    near: stage.random.next(),
  }))
  const { width, height } = stage
  stage.live(0.9, (ctx, t) => {
    for (const { x, y, near } of drops) {
      const { speed: fall, opacity } = FALLING[kind]
      const speed = fall[0] + near * fall[1]
      const py = ((((y + t * speed) % 1) + 1) % 1) * (height + 120) - 60
      const px =
        ((((x + (kind === 'rain' ? -t * 0.05 : Math.sin(t * 0.5 + near * 9) * 0.012)) % 1) + 1) %
          1) *
          (width + 120) -
        60
      ctx.globalAlpha = opacity[0] + near * opacity[1]
      ctx.fillStyle = kind === 'dust' ? '#ffe9b8' : '#f4f8ff'
      ctx.beginPath()
      if (kind === 'rain') ctx.rect(px, py, 2.2 + near, 26 + near * 34)
      else ctx.arc(px, py, kind === 'snow' ? 3 + near * 6 : 2 + near * 3, 0, Math.PI * 2)
      ctx.fill()
    }
  })
}

/** A soft pool of light, added to what is there. */
export function glow(
  ctx: Ctx,
  x: number,
  y: number,
  radius: number,
  colour: string,
  strength: number,
) {
  ctx.save()
  ctx.globalCompositeOperation = 'lighter'
  const fill = ctx.createRadialGradient(x, y, 0, x, y, radius)
  fill.addColorStop(0, alpha(colour, strength))
  fill.addColorStop(1, alpha(colour, 0))
  ctx.fillStyle = fill
  ctx.fillRect(x - radius, y - radius, radius * 2, radius * 2)
  ctx.restore()
}

/** A dark, soft oval where a thing stands. */
export function contact(ctx: Ctx, x: number, y: number, half: number, strength = 0.42) {
  ctx.save()
  ctx.translate(x, y)
  ctx.scale(1, 0.17)
  const fill = ctx.createRadialGradient(0, 0, half * 0.15, 0, 0, half)
  fill.addColorStop(0, `rgba(8,6,18,${strength})`)
  fill.addColorStop(1, 'rgba(8,6,18,0)')
  ctx.fillStyle = fill
  ctx.fillRect(-half, -half, half * 2, half * 2)
  ctx.restore()
}
