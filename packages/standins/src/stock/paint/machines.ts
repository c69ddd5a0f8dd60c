import { alpha } from './colour.ts'
import { harbour, hills, river, sea, type Setting } from './outdoors.ts'
import {
  buildings,
  cloud,
  glow,
  heightAt,
  ridge,
  ridgeLine,
  roundTree,
  sky,
  stars,
  under,
  wave,
} from './shapes.ts'
import { BLEED, type Ctx, type Stage } from './stage.ts'

const nothing = async () => {}

function seaFront(stage: Stage, from: number) {
  const colours = ['#559aa3', '#3a7f8d', '#286577', '#1b4c60']
  colours.forEach((colour, i) =>
    wave(
      stage,
      0.5 + i * 0.15,
      colour,
      stage.height * (from + i * 0.085),
      24 + i * 9,
      110 + i * 34,
    ),
  )
}

/**
 * A tower in banded red and white with its lamp room; `x` is its middle, `foot` where it stands.
 */
function tower(stage: Stage, x: number, foot: number, tall: number, depth: number) {
  const [low, high] = [tall * 0.13, tall * 0.085]
  const lampY = foot - tall
  stage.layer(
    depth,
    (ctx) => {
      const body = (c: Ctx) => {
        c.moveTo(x - low, foot)
        c.lineTo(x - high, lampY)
        c.lineTo(x + high, lampY)
        c.lineTo(x + low, foot)
        c.closePath()
      }
      stage.sheet(ctx, body, '#f3ead9', depth, lampY, foot)
      ctx.save()
      ctx.beginPath()
      body(ctx)
      ctx.clip()
      ctx.fillStyle = alpha(stage.lit('#b8483c', depth), 0.92)
      for (const at of [0.12, 0.5, 0.86])
        ctx.fillRect(x - low * 1.2, lampY + tall * at - tall * 0.07, low * 2.4, tall * 0.15)
      const side = ctx.createLinearGradient(x - low, 0, x + low, 0)
      side.addColorStop(0, 'rgba(255,246,220,0.14)')
      side.addColorStop(0.6, 'rgba(10,6,24,0)')
      side.addColorStop(1, 'rgba(10,6,24,0.36)')
      ctx.fillStyle = side
      ctx.fillRect(x - low * 1.2, lampY, low * 2.4, tall)
      ctx.restore()
      for (const at of [0.3, 0.66])
        stage.paper(
          ctx,
          (c) => c.roundRect(x - 9, lampY + tall * at, 18, 30, 9),
          stage.lit('#2f3442', depth),
        )
      stage.paper(
        ctx,
        (c) => c.roundRect(x - 16, foot - 52, 32, 54, [16, 16, 0, 0]),
        stage.lit('#5d3a2c', depth),
      )
      stage.paper(
        ctx,
        (c) => c.rect(x - high * 1.5, lampY - 10, high * 3, 18),
        stage.lit('#33384a', depth),
      )
      stage.paper(
        ctx,
        (c) => c.rect(x - high * 0.92, lampY - tall * 0.14, high * 1.84, tall * 0.135),
        stage.light.lampsLit ? '#ffe7a6' : stage.lit('#bcd6dc', depth),
      )
      ctx.strokeStyle = stage.lit('#33384a', depth)
      ctx.lineWidth = 5
      for (const dx of [-0.9, -0.3, 0.3, 0.9]) {
        ctx.beginPath()
        ctx.moveTo(x + dx * high, lampY)
        ctx.lineTo(x + dx * high, lampY - tall * 0.14)
        ctx.stroke()
      }
      stage.paper(
        ctx,
        (c) => {
          c.moveTo(x - high * 1.2, lampY - tall * 0.138)
          c.quadraticCurveTo(x, lampY - tall * 0.25, x + high * 1.2, lampY - tall * 0.138)
          c.closePath()
        },
        stage.lit('#a8443a', depth),
      )
    },
    { left: x - tall * 0.4, right: x + tall * 0.4, top: lampY - tall * 0.4, bottom: foot + 60 },
  )
  return { lampX: x, lampY: lampY - tall * 0.07 }
}

/**
 * Two beams from a lamp that turns: long when they look along the picture, gone when they look at
 * us.
 */
function beams(stage: Stage, x: number, y: number, depth: number, strength = 0.5) {
  stage.live(depth, (ctx, t) => {
    ctx.globalCompositeOperation = 'lighter'
    const angle = t * 0.62 + 0.5
    for (const way of [0, Math.PI]) {
      const along = Math.cos(angle + way)
      const reach = along * stage.width * 1.1
      const spread = 30 + Math.abs(along) * 150
      const fill = ctx.createLinearGradient(x, y, x + reach, y)
      fill.addColorStop(0, `rgba(255,238,180,${strength})`)
      fill.addColorStop(1, 'rgba(255,238,180,0)')
      ctx.fillStyle = fill
      ctx.beginPath()
      ctx.moveTo(x, y - 12)
      ctx.lineTo(x + reach, y - spread)
      ctx.lineTo(x + reach, y + spread * 0.8)
      ctx.lineTo(x, y + 12)
      ctx.fill()
    }
    ctx.globalCompositeOperation = 'source-over'
    glow(
      ctx,
      x,
      y,
      130 + 90 * Math.abs(Math.sin(angle)),
      '#ffe9a8',
      0.55 + 0.35 * Math.abs(Math.sin(angle)),
    )
  })
}

export const lighthouse: Setting = async (stage) => {
  const { height, width } = stage
  sky(stage, {
    clouds: stage.light.time === 'night' ? 1 : 3,
    ...(stage.light.time === 'night' ? { disc: [width * 0.18, height * 0.16] as const } : {}),
  })
  ridge(stage, 0.12, '#8590a0', height * 0.6, 80, 0.5)
  wave(stage, 0.3, '#7fb3b5', height * 0.6, 18, 90)
  const x = width * stage.random.pick([0.34, 0.64])
  const lamp = tower(stage, x, height * 0.68, height * 0.46, 0.5)
  if (stage.light.lampsLit) beams(stage, lamp.lampX, lamp.lampY, 0.5)
  const rocks = ridgeLine(stage.random, width, height * 0.76, 60, 0.7).map(
    ([px, py]) => [px, py + ((px - x) / 330) ** 2 * 60 - 40] as [number, number],
  )
  stage.layer(
    0.55,
    (ctx) => stage.sheet(ctx, under(rocks, height + BLEED), '#6d6258', 0.6, height * 0.62, height),
    { top: height * 0.5 },
  )
  seaFront(stage, 0.72)
}

export const rockLight: Setting = async (stage) => {
  const { height, width } = stage
  sky(stage, { clouds: 3 })
  wave(stage, 0.2, '#8fbcbc', height * 0.56, 16, 80)
  wave(stage, 0.35, '#6aa6ab', height * 0.6, 20, 100)
  const x = width * 0.5
  const lamp = tower(stage, x, height * 0.74, height * 0.56, 0.5)
  if (stage.light.lampsLit) beams(stage, lamp.lampX, lamp.lampY, 0.5)
  stage.layer(
    0.55,
    (ctx) =>
      stage.sheet(
        ctx,
        (c) => {
          c.moveTo(x - 260, height * 0.86)
          c.lineTo(x - 170, height * 0.76)
          c.lineTo(x - 90, height * 0.735)
          c.lineTo(x + 70, height * 0.73)
          c.lineTo(x + 150, height * 0.77)
          c.lineTo(x + 270, height * 0.86)
          c.closePath()
        },
        '#5a524c',
        0.6,
        height * 0.72,
        height * 0.9,
      ),
    { top: height * 0.66 },
  )
  seaFront(stage, 0.76)
}

/** The great lens from the front: rings of prisms around a flame, glints wandering over them. */
export const lens: Setting = async (stage) => {
  const { height, width } = stage
  const [x, y] = [width / 2, height / 2]
  stage.layer(0, (ctx) =>
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#1a2a38',
      0.95,
      0,
      height,
    ),
  )
  for (let i = 8; i >= 0; i--) {
    const r = 90 + i * 62
    stage.layer(
      0.2 + (8 - i) * 0.05,
      (ctx) => {
        const fill = ctx.createRadialGradient(x, y, r - 60, x, y, r)
        fill.addColorStop(0, alpha('#0f2a36', 0.9))
        fill.addColorStop(0.55, alpha('#3f8f98', 0.85))
        fill.addColorStop(0.85, alpha('#c5efe6', 0.95))
        fill.addColorStop(1, alpha('#1d4854', 0.95))
        stage.paper(ctx, (c) => c.arc(x, y, r, 0, 7), fill, 0.35)
      },
      { left: x - r - 60, right: x + r + 60, top: y - r - 60, bottom: y + r + 60 },
    )
  }
  flame(stage, x, y + 60, 0.9)
  stage.live(0.9, (ctx, t) => {
    ctx.globalCompositeOperation = 'lighter'
    for (let i = 0; i < 7; i++) {
      const a = t * 0.22 + i * 0.9
      const r = 120 + i * 66
      glow(ctx, x + Math.cos(a) * r, y + Math.sin(a) * r, 60, '#fff0c4', 0.5)
      glow(ctx, x - Math.cos(a) * r, y - Math.sin(a) * r, 46, '#d8fff4', 0.4)
    }
  })
}

/** A flame that lives: three sheets of fire and its light. */
function flame(stage: Stage, x: number, foot: number, size: number, light = 0.6) {
  stage.live(0.8, (ctx, t) => {
    const lick = Math.sin(t * 6.1) * 0.5 + Math.sin(t * 9.7) * 0.3
    glow(ctx, x, foot - 70 * size, 330 * size, '#ffb04a', light + lick * 0.08)
    for (const [colour, w, h] of [
      ['#f08a2c', 46, 150],
      ['#ffc24f', 32, 112],
      ['#fff1bf', 18, 70],
    ] as const) {
      ctx.fillStyle = colour
      ctx.beginPath()
      ctx.moveTo(x, foot)
      ctx.bezierCurveTo(
        x - w * size * 1.5,
        foot - 20 * size,
        x - w * size,
        foot - h * 0.55 * size,
        x + lick * 9,
        foot - (h + lick * 12) * size,
      )
      ctx.bezierCurveTo(
        x + w * size,
        foot - h * 0.55 * size,
        x + w * size * 1.5,
        foot - 20 * size,
        x,
        foot,
      )
      ctx.fill()
    }
  })
}

export const oilLamp: Setting = async (stage) => {
  const { height, width } = stage
  const x = width * 0.5
  stage.layer(0, (ctx) =>
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#3a2a22',
      0.95,
      0,
      height,
    ),
  )
  stage.layer(
    0.4,
    (ctx) =>
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.78, width + 2 * BLEED, height),
        '#5f4230',
        0.9,
        height * 0.78,
        height,
      ),
    { top: height * 0.7 },
  )
  stage.layer(0.7, (ctx) => {
    stage.sheet(
      ctx,
      (c) => {
        c.moveTo(x - 150, height * 0.82)
        c.quadraticCurveTo(x - 130, height * 0.62, x - 46, height * 0.6)
        c.lineTo(x + 46, height * 0.6)
        c.quadraticCurveTo(x + 130, height * 0.62, x + 150, height * 0.82)
        c.closePath()
      },
      '#b98442',
      0.9,
      height * 0.58,
      height * 0.84,
    )
    stage.paper(ctx, (c) => c.rect(x - 56, height * 0.565, 112, 40), stage.lit('#8f6230', 0.9))
  })
  flame(stage, x, height * 0.57, 1.25)
  stage.layer(0.85, (ctx) => {
    ctx.strokeStyle = 'rgba(255,244,214,0.5)'
    ctx.lineWidth = 7
    ctx.fillStyle = 'rgba(255,232,180,0.1)'
    ctx.beginPath()
    ctx.moveTo(x - 66, height * 0.57)
    ctx.bezierCurveTo(x - 150, height * 0.44, x - 92, height * 0.3, x - 56, height * 0.16)
    ctx.lineTo(x + 56, height * 0.16)
    ctx.bezierCurveTo(x + 92, height * 0.3, x + 150, height * 0.44, x + 66, height * 0.57)
    ctx.fill()
    ctx.stroke()
  })
}

/**
 * A canal lock seen from the side: gates, two levels of water, a boat rising with the water between
 * them.
 */
export const lock: Setting = async (stage) => {
  const { height, width } = stage
  sky(stage, { clouds: 3 })
  ridge(stage, 0.15, '#7f9a8c', height * 0.5, 120, 0.5)
  const bank = ridge(stage, 0.35, '#7c9f5c', height * 0.56, 40, 0.4)
  stage.layer(0.36, (ctx) => {
    for (const at of [0.06, 0.2, 0.8, 0.93])
      roundTree(stage, ctx, width * at, heightAt(bank, width * at) + 12, 190, 0.4, '#5f8a48')
  })
  stage.layer(
    0.5,
    (ctx) =>
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.58, width + 2 * BLEED, height),
        '#9b8a74',
        0.55,
        height * 0.58,
        height,
      ),
    { top: height * 0.52 },
  )
  stage.layer(
    0.52,
    (ctx) => {
      ctx.strokeStyle = alpha('#4a3f34', 0.3)
      ctx.lineWidth = 3
      for (let y = height * 0.62, row = 0; y < height; y += 44, row++)
        for (let x = -BLEED + (row % 2) * 46; x < width + BLEED; x += 92)
          ctx.strokeRect(x, y, 92, 44)
    },
    { top: height * 0.58 },
  )
  const water = (left: number, right: number, level: (t: number) => number) =>
    stage.live(0.6, (ctx, t) => {
      const y = level(t)
      const fill = ctx.createLinearGradient(0, y, 0, height)
      fill.addColorStop(0, stage.lit('#6fb0b4', 0.7))
      fill.addColorStop(1, stage.lit('#1f5668', 0.8))
      ctx.fillStyle = fill
      ctx.beginPath()
      ctx.moveTo(left, height + BLEED)
      for (let x = left; x <= right; x += 10) ctx.lineTo(x, y + Math.sin(x * 0.03 + t * 1.6) * 4)
      ctx.lineTo(right, height + BLEED)
      ctx.fill()
      ctx.strokeStyle = 'rgba(240,255,250,0.6)'
      ctx.lineWidth = 4
      ctx.beginPath()
      for (let x = left; x <= right; x += 10) ctx.lineTo(x, y + Math.sin(x * 0.03 + t * 1.6) * 4)
      ctx.stroke()
    })
  const chamber = (t: number) =>
    height * (0.86 - 0.16 * (0.5 - 0.5 * Math.cos(Math.min(1, t / 8) * Math.PI)))
  water(-BLEED, width * 0.25, () => height * 0.69)
  water(width * 0.27, width * 0.73, chamber)
  water(width * 0.75, width + BLEED, () => height * 0.87)
  narrowboat(stage, width * 0.5, chamber, '#2f5f4c')
  gate(stage, width * 0.26, height * 0.56)
  gate(stage, width * 0.74, height * 0.56)
}

function gate(stage: Stage, x: number, top: number) {
  stage.layer(
    0.75,
    (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(x - 22, top, 44, stage.height),
        '#4a3626',
        0.8,
        top,
        stage.height,
      )
      stage.paper(ctx, (c) => c.rect(x - 30, top - 26, 250, 26), stage.lit('#f1ead8', 0.8))
      stage.paper(ctx, (c) => c.rect(x - 30, top - 26, 36, 26), stage.lit('#2c2a2a', 0.8))
      for (let i = 0; i < 5; i++)
        stage.paper(
          ctx,
          (c) => c.rect(x - 27, top + 40 + i * 90, 54, 14),
          stage.lit('#35271c', 0.8),
          0.1,
        )
    },
    { top: top - 60 },
  )
}

function narrowboat(stage: Stage, x: number, level: (t: number) => number, colour: string) {
  const foot = stage.height * 0.86
  stage.layer(
    0.65,
    (ctx) => {
      stage.sheet(
        ctx,
        (c) => {
          c.moveTo(x - 300, foot - 36)
          c.lineTo(x + 320, foot - 36)
          c.quadraticCurveTo(x + 300, foot + 22, x + 250, foot + 24)
          c.lineTo(x - 290, foot + 24)
          c.closePath()
        },
        '#2c3036',
        0.75,
        foot - 40,
        foot + 30,
      )
      stage.sheet(
        ctx,
        (c) => c.roundRect(x - 270, foot - 110, 430, 78, 10),
        colour,
        0.75,
        foot - 110,
        foot - 30,
      )
      stage.paper(ctx, (c) => c.rect(x - 284, foot - 120, 458, 14), stage.lit('#b8503f', 0.75))
      for (let i = 0; i < 5; i++)
        stage.paper(
          ctx,
          (c) => c.arc(x - 220 + i * 84, foot - 70, 20, 0, 7),
          stage.light.lampsLit ? '#ffd98a' : stage.lit('#d8c99a', 0.75),
        )
      stage.paper(ctx, (c) => c.rect(x + 118, foot - 150, 16, 34), stage.lit('#2c2a2a', 0.75))
    },
    {
      left: x - 380,
      right: x + 400,
      top: foot - 210,
      bottom: foot + 80,
      pivot: [x, foot],
      motion: (t) => ({ dy: level(t) - foot, turn: Math.sin(t * 1.2) * 0.004 }),
    },
  )
}

export const canal: Setting = async (stage) => {
  await river(stage, nothing)
  narrowboat(
    stage,
    stage.width * 0.48,
    (t) => stage.height * 0.8 + Math.sin(t * 1.3) * 3,
    '#7a2f3c',
  )
  wave(stage, 0.85, '#286577', stage.height * 0.83, 22, 130)
}

/**
 * Earth, its sea drawn out into two bulges, and the moon going round: why the tide comes twice a
 * day.
 */
export const tides: Setting = async (stage) => {
  const { height, width } = stage
  const [x, y] = [width * 0.46, height * 0.52]
  stage.layer(0, (ctx) =>
    stage.paper(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#10162e',
      0,
    ),
  )
  stars(stage, 220, 1.05)
  const at = (t: number) => -0.5 + t * 0.13
  stage.live(0.4, (ctx, t) => {
    ctx.save()
    ctx.translate(x, y)
    ctx.strokeStyle = 'rgba(220,225,245,0.22)'
    ctx.setLineDash([10, 16])
    ctx.lineWidth = 4
    ctx.beginPath()
    ctx.ellipse(0, 0, width * 0.36, height * 0.4, 0, 0, 7)
    ctx.stroke()
    ctx.setLineDash([])
    ctx.rotate(Math.atan2(Math.sin(at(t)) * height * 0.4, Math.cos(at(t)) * width * 0.36))
    const fill = ctx.createRadialGradient(0, 0, 150, 0, 0, 330)
    fill.addColorStop(0, '#2f7fa6')
    fill.addColorStop(1, '#9fd8e6')
    ctx.shadowColor = 'rgba(0,0,0,0.5)'
    ctx.shadowBlur = 30 * stage.scale
    ctx.fillStyle = fill
    ctx.beginPath()
    ctx.ellipse(0, 0, 320, 232, 0, 0, 7)
    ctx.fill()
    ctx.restore()
  })
  const land = Array.from({ length: 6 }, () => ({
    a: stage.random.between(0, 6.3),
    r: stage.random.between(20, 130),
    s: stage.random.between(40, 86),
  }))
  stage.layer(
    0.45,
    (ctx) => {
      stage.sheet(ctx, (c) => c.arc(x, y, 205, 0, 7), '#2f6f8f', 0.9, y - 205, y + 205)
      ctx.save()
      ctx.beginPath()
      ctx.arc(x, y, 205, 0, 7)
      ctx.clip()
      for (const { a, r, s } of land)
        stage.paper(
          ctx,
          (c) => c.ellipse(x + Math.cos(a) * r, y + Math.sin(a) * r, s, s * 0.7, a, 0, 7),
          '#6f9a5c',
        )
      ctx.restore()
    },
    {
      left: x - 260,
      right: x + 260,
      top: y - 260,
      bottom: y + 260,
      pivot: [x, y],
      motion: (t) => ({ turn: t * 0.4 }),
    },
  )
  stage.layer(
    0.6,
    (ctx) => {
      stage.sheet(ctx, (c) => c.arc(x, y, 76, 0, 7), '#cfcabd', 0.95, y - 76, y + 76)
      ctx.fillStyle = 'rgba(80,78,76,0.35)'
      for (const [dx, dy, r] of [
        [-24, -14, 16],
        [18, 18, 20],
        [26, -26, 9],
        [-10, 30, 11],
      ] as const) {
        ctx.beginPath()
        ctx.arc(x + dx, y + dy, r, 0, 7)
        ctx.fill()
      }
    },
    {
      left: x - 130,
      right: x + 130,
      top: y - 130,
      bottom: y + 130,
      motion: (t) => ({ dx: Math.cos(at(t)) * width * 0.36, dy: Math.sin(at(t)) * height * 0.4 }),
    },
  )
}

/** The sun in the middle and planets on their rings. */
export const solarSystem: Setting = async (stage) => {
  const { height, width } = stage
  const [x, y] = [width * 0.5, height * 0.52]
  stage.layer(0, (ctx) =>
    stage.paper(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#0d1128',
      0,
    ),
  )
  stars(stage, 240, 1.05)
  const planets = [
    ['#b9a48c', 26, 0.2, 0.55],
    ['#e0b070', 34, 0.29, 0.42],
    ['#5f9ac0', 36, 0.39, 0.33],
    ['#c8664a', 28, 0.49, 0.26],
    ['#d8b48c', 62, 0.66, 0.17],
  ] as const
  stage.layer(0.2, (ctx) => {
    ctx.lineWidth = 3
    ctx.strokeStyle = 'rgba(220,225,245,0.2)'
    for (const [, , r] of planets) {
      ctx.beginPath()
      ctx.ellipse(x, y, width * r * 0.72, height * r * 0.72, 0, 0, 7)
      ctx.stroke()
    }
    stage.paper(ctx, (c) => c.arc(x, y, 100, 0, 7), '#ffd268')
    glow(ctx, x, y, 420, '#ffb648', 0.6)
  })
  for (const [colour, size, r, speed] of planets) {
    const start = stage.random.between(0, 6.3)
    stage.layer(
      0.3,
      (ctx) => stage.sheet(ctx, (c) => c.arc(x, y, size, 0, 7), colour, 0.95, y - size, y + size),
      {
        left: x - size - 50,
        right: x + size + 50,
        top: y - size - 50,
        bottom: y + size + 50,
        motion: (t) => ({
          dx: Math.cos(start + t * speed) * width * r * 0.72,
          dy: Math.sin(start + t * speed) * height * r * 0.72,
        }),
      },
    )
  }
}

/** A shore where the sea has gone out: wet sand, pools, boats lying on their keels. */
export const lowTide: Setting = async (stage) => {
  const { height, width } = stage
  sky(stage, { clouds: 3 })
  ridge(stage, 0.14, '#8a93a0', height * 0.5, 80, 0.5)
  wave(stage, 0.25, '#7fb3b5', height * 0.51, 12, 80)
  ridge(stage, 0.45, '#b59e78', height * 0.58, 26, 0.4)
  const sand = ridge(stage, 0.65, '#a58c66', height * 0.66, 34, 0.4)
  stage.layer(0.67, (ctx) => {
    for (let i = 0; i < 9; i++) {
      const [px, py, w] = [
        stage.random.between(-40, width + 40),
        stage.random.between(height * 0.7, height * 0.97),
        stage.random.between(110, 300),
      ]
      ctx.fillStyle = alpha(stage.lit(stage.light.sky[1], 0.6), 0.75)
      ctx.beginPath()
      ctx.ellipse(px, py, w, w * 0.13, 0, 0, 7)
      ctx.fill()
      ctx.strokeStyle = 'rgba(255,255,245,0.35)'
      ctx.lineWidth = 3
      ctx.stroke()
    }
  })
  for (const [at, foot, s, lean] of [
    [0.26, 0.78, 1, -0.12],
    [0.62, 0.86, 1.5, 0.1],
    [0.86, 0.74, 0.8, 0.14],
  ] as const) {
    const [bx, by] = [width * at, Math.max(height * foot, heightAt(sand, width * at) + 30)]
    stage.layer(0.7 + s * 0.08, (ctx) => {
      ctx.translate(bx, by)
      ctx.rotate(lean)
      stage.paper(ctx, (c) => c.rect(-4, -230 * s, 8, 190 * s), stage.lit('#5a4636', 0.8), 0.05)
      stage.sheet(
        ctx,
        (c) => {
          c.moveTo(-140 * s, -54 * s)
          c.lineTo(150 * s, -60 * s)
          c.quadraticCurveTo(120 * s, 6, 60 * s, 8)
          c.lineTo(-90 * s, 8)
          c.closePath()
        },
        stage.random.pick(['#3f6f8a', '#b8503f', '#e2d6bc']),
        0.8,
        -60 * s,
        10,
      )
    })
  }
}

const gearPath = (x: number, y: number, r: number, teeth: number) => (c: Ctx) => {
  for (let i = 0; i < teeth * 4; i++) {
    const a = (i / (teeth * 4)) * Math.PI * 2
    const out = i % 4 < 2 ? r : r * 0.86
    c.lineTo(x + Math.cos(a) * out, y + Math.sin(a) * out)
  }
  c.closePath()
  c.moveTo(x + r * 0.2, y)
  c.arc(x, y, r * 0.2, 0, 7, true)
}

export const gears: Setting = async (stage) => {
  const { height, width } = stage
  stage.layer(0, (ctx) => {
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#4a4038',
      0.95,
      0,
      height,
    )
    glow(ctx, width * 0.3, height * 0.2, 700, '#ffca7a', 0.3)
  })
  const all = [
    [0.27, 0.45, 300, 24, '#b98f4c'],
    [0.505, 0.63, 200, 16, '#8d959c'],
    [0.69, 0.36, 262, 21, '#a8734a'],
    [0.1, 0.93, 250, 20, '#7d8a86'],
    [0.86, 0.78, 290, 23, '#c2a25c'],
  ] as const
  all.forEach(([gx, gy, r, teeth, colour], i) => {
    const [x, y] = [gx * width, gy * height]
    stage.layer(
      0.3 + i * 0.12,
      (ctx) => {
        stage.sheet(ctx, gearPath(x, y, r, teeth), colour, 0.9, y - r, y + r)
        for (let k = 0; k < 5; k++) {
          const a = k * 1.257
          stage.paper(
            ctx,
            (c) => c.arc(x + Math.cos(a) * r * 0.53, y + Math.sin(a) * r * 0.53, r * 0.16, 0, 7),
            '#3a322c',
            0.1,
          )
        }
      },
      {
        left: x - r - 50,
        right: x + r + 50,
        top: y - r - 50,
        bottom: y + r + 50,
        pivot: [x, y],
        motion: (t) => ({ turn: ((i % 2 ? -1 : 1) * t * 100) / r }),
      },
    )
  })
}

/** Sails or blades turning about a hub. */
function rotor(
  stage: Stage,
  x: number,
  y: number,
  reach: number,
  blades: number,
  depth: number,
  speed: number,
  colour: string,
  wide: number,
) {
  stage.layer(
    depth,
    (ctx) => {
      for (let i = 0; i < blades; i++) {
        ctx.save()
        ctx.translate(x, y)
        ctx.rotate((i / blades) * Math.PI * 2)
        stage.paper(
          ctx,
          (c) => {
            c.moveTo(-5, 0)
            c.lineTo(-wide, -reach * 0.16)
            c.lineTo(-wide * 0.4, -reach)
            c.lineTo(wide * 0.2, -reach)
            c.lineTo(6, 0)
            c.closePath()
          },
          stage.lit(colour, depth),
        )
        ctx.restore()
      }
      stage.paper(ctx, (c) => c.arc(x, y, 16, 0, 7), stage.lit('#4a4440', depth))
    },
    {
      left: x - reach - 40,
      right: x + reach + 40,
      top: y - reach - 40,
      bottom: y + reach + 40,
      pivot: [x, y],
      motion: (t) => ({ turn: t * speed }),
    },
  )
}

export const windTurbines: Setting = async (stage) => {
  const { height, width } = stage
  await hills(stage, nothing)
  for (const [at, foot, tall] of [
    [0.2, 0.8, 300],
    [0.48, 0.86, 420],
    [0.78, 0.82, 340],
  ] as const) {
    const [x, y] = [width * at, height * foot]
    stage.layer(
      0.85,
      (ctx) =>
        stage.paper(
          ctx,
          (c) => {
            c.moveTo(x - 10, y)
            c.lineTo(x - 5, y - tall)
            c.lineTo(x + 5, y - tall)
            c.lineTo(x + 10, y)
            c.closePath()
          },
          stage.lit('#f2efe8', 0.85),
        ),
      { left: x - 80, right: x + 80, top: y - tall - 60, bottom: y + 60 },
    )
    rotor(stage, x, y - tall, tall * 0.55, 3, 0.87, 1.1, '#f6f3ec', 16)
  }
}

export const windmill: Setting = async (stage) => {
  const { height, width } = stage
  await hills(stage, nothing)
  const [x, y] = [width * 0.56, height * 0.9]
  stage.layer(0.88, (ctx) => {
    stage.sheet(
      ctx,
      (c) => {
        c.moveTo(x - 120, y)
        c.lineTo(x - 76, y - 350)
        c.lineTo(x + 76, y - 350)
        c.lineTo(x + 120, y)
        c.closePath()
      },
      '#e8dcc2',
      0.85,
      y - 350,
      y,
    )
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x - 92, y - 345)
        c.quadraticCurveTo(x, y - 480, x + 92, y - 345)
        c.closePath()
      },
      stage.lit('#7d4a3a', 0.85),
    )
    stage.paper(
      ctx,
      (c) => c.roundRect(x - 28, y - 90, 56, 92, [28, 28, 0, 0]),
      stage.lit('#5d4030', 0.85),
    )
  })
  rotor(stage, x, y - 380, 270, 4, 0.9, 0.5, '#f0e8d4', 46)
}

/** A wheel of boards turned by the river beside a mill. */
export const waterWheel: Setting = async (stage) => {
  const { height, width } = stage
  await river(stage, nothing)
  const [x, y] = [width * 0.46, height * 0.66]
  stage.layer(0.8, (ctx) => {
    stage.sheet(ctx, (c) => c.rect(x + 120, y - 290, 420, 520), '#cbb594', 0.8, y - 290, y + 200)
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x + 90, y - 280)
        c.lineTo(x + 330, y - 440)
        c.lineTo(x + 570, y - 280)
        c.closePath()
      },
      stage.lit('#8a4a3c', 0.8),
    )
    for (const dx of [220, 400])
      stage.paper(
        ctx,
        (c) => c.rect(x + dx, y - 190, 60, 76),
        stage.light.lampsLit ? '#ffd98a' : stage.lit('#54606a', 0.8),
      )
  })
  stage.layer(
    0.86,
    (ctx) => {
      for (let i = 0; i < 12; i++) {
        ctx.save()
        ctx.translate(x, y)
        ctx.rotate((i / 12) * Math.PI * 2)
        stage.paper(
          ctx,
          (c) => {
            c.rect(-6, -220, 12, 220)
            c.rect(-34, -236, 68, 26)
          },
          stage.lit('#6b4a34', 0.85),
          0.12,
        )
        ctx.restore()
      }
      ctx.strokeStyle = stage.lit('#54382a', 0.85)
      ctx.lineWidth = 16
      ctx.beginPath()
      ctx.arc(x, y, 190, 0, 7)
      ctx.stroke()
    },
    {
      left: x - 280,
      right: x + 280,
      top: y - 280,
      bottom: y + 280,
      pivot: [x, y],
      motion: (t) => ({ turn: -t * 0.5 }),
    },
  )
  wave(stage, 0.92, '#286577', height * 0.84, 24, 120)
}

export const waterfall: Setting = async (stage) => {
  const { height, width } = stage
  sky(stage, { clouds: 2 })
  ridge(stage, 0.2, '#7b8f86', height * 0.5, 170, 0.6)
  const x = width * 0.5
  stage.layer(0.45, (ctx) => {
    stage.sheet(
      ctx,
      (c) => {
        c.moveTo(-BLEED, height * 0.3)
        c.lineTo(x - 190, height * 0.34)
        c.lineTo(x - 150, height)
        c.lineTo(-BLEED, height)
        c.closePath()
      },
      '#6a5f56',
      0.55,
      height * 0.3,
      height,
    )
    stage.sheet(
      ctx,
      (c) => {
        c.moveTo(width + BLEED, height * 0.27)
        c.lineTo(x + 180, height * 0.34)
        c.lineTo(x + 150, height)
        c.lineTo(width + BLEED, height)
        c.closePath()
      },
      '#62584f',
      0.55,
      height * 0.3,
      height,
    )
  })
  stage.live(0.5, (ctx, t) => {
    ctx.save()
    ctx.beginPath()
    ctx.rect(x - 180, height * 0.34, 360, height)
    ctx.clip()
    ctx.fillStyle = stage.lit('#8fc4ca', 0.5)
    ctx.fillRect(x - 180, height * 0.34, 360, height)
    for (let i = 0; i < 34; i++) {
      const sx = x - 172 + (i * 344) / 34
      const offset = ((t * (0.5 + (i % 5) * 0.07) + i * 0.37) % 1) * height * 0.66
      ctx.fillStyle = i % 2 ? 'rgba(250,255,255,0.55)' : 'rgba(220,245,245,0.4)'
      for (const k of [-1, 0]) {
        ctx.beginPath()
        ctx.roundRect(sx, height * 0.34 + offset + k * height * 0.66, 7, height * 0.3, 4)
        ctx.fill()
      }
    }
    ctx.restore()
    ctx.fillStyle = 'rgba(250,255,255,0.5)'
    for (let i = 0; i < 16; i++) {
      ctx.beginPath()
      ctx.arc(
        x - 210 + i * 28,
        height * 0.86 + Math.sin(t * 3 + i * 2) * 12,
        40 + (i % 3) * 14,
        0,
        7,
      )
      ctx.fill()
    }
  })
  wave(stage, 0.8, '#4f97a0', height * 0.87, 24, 120)
  wave(stage, 0.95, '#2f7686', height * 0.94, 28, 150)
}

export const bridge: Setting = async (stage) => {
  const { height, width } = stage
  sky(stage, { clouds: 2 })
  buildings(stage, 0.15, height * 0.62, 70, 200, ['#8c97a8', '#a3a9b2'])
  wave(stage, 0.3, '#7fb3b5', height * 0.6, 16, 90)
  stage.layer(0.55, (ctx) => {
    const steel = stage.lit('#a8503c', 0.6)
    const towers = [width * 0.24, width * 0.76]
    const deck = height * 0.6
    ctx.strokeStyle = steel
    ctx.lineWidth = 9
    const cable = (x: number) => {
      const d = Math.abs(x - width / 2) / (width * 0.26)
      return deck - 30 - 320 * Math.min(1, d * d)
    }
    ctx.beginPath()
    for (let x = towers[0]!; x <= towers[1]!; x += 12) ctx.lineTo(x, cable(x))
    ctx.moveTo(-BLEED, deck)
    ctx.lineTo(towers[0]!, cable(towers[0]!))
    ctx.moveTo(width + BLEED, deck)
    ctx.lineTo(towers[1]!, cable(towers[1]!))
    ctx.stroke()
    ctx.lineWidth = 4
    for (let x = towers[0]!; x <= towers[1]!; x += 52) {
      ctx.beginPath()
      ctx.moveTo(x, cable(x))
      ctx.lineTo(x, deck)
      ctx.stroke()
    }
    for (const x of towers)
      stage.paper(
        ctx,
        (c) => {
          c.rect(x - 30, deck - 380, 18, 640)
          c.rect(x + 12, deck - 380, 18, 640)
          c.rect(x - 30, deck - 330, 60, 16)
          c.rect(x - 30, deck - 180, 60, 16)
        },
        steel,
      )
    stage.paper(ctx, (c) => c.rect(-BLEED, deck, width + 2 * BLEED, 26), stage.lit('#5d4a48', 0.6))
  })
  seaFront(stage, 0.7)
}

export const port: Setting = async (stage) => {
  await harbour(stage, nothing)
  const { height, width } = stage
  const foot = height * 0.84
  for (const at of [0.2, 0.8]) {
    const x = width * at
    stage.layer(0.6, (ctx) => {
      ctx.strokeStyle = stage.lit('#c98a3a', 0.6)
      ctx.lineWidth = 14
      ctx.beginPath()
      for (const dx of [-60, 60]) {
        ctx.moveTo(x + dx, foot - 120)
        ctx.lineTo(x + dx * 0.6, foot - 430)
      }
      ctx.moveTo(x - 60, foot - 250)
      ctx.lineTo(x + 60, foot - 250)
      ctx.moveTo(x - 180, foot - 430)
      ctx.lineTo(x + 280, foot - 430)
      ctx.moveTo(x, foot - 520)
      ctx.lineTo(x + 270, foot - 436)
      ctx.moveTo(x, foot - 520)
      ctx.lineTo(x - 40, foot - 430)
      ctx.stroke()
    })
  }
  const x = width * 0.5
  stage.layer(
    0.8,
    (ctx) => {
      const colours = ['#b8503f', '#3f6f8a', '#d2a24c', '#5d7a58', '#8a8794']
      for (let i = 0; i < 9; i++)
        for (let k = 0; k < 3 - (i % 2); k++)
          stage.paper(
            ctx,
            (c) => c.rect(x - 420 + i * 84, foot - 120 - k * 54, 80, 50),
            stage.lit(colours[(i * 2 + k) % 5]!, 0.8),
            0.15,
          )
      stage.paper(ctx, (c) => c.rect(x + 350, foot - 260, 120, 200), stage.lit('#efe8da', 0.8))
      stage.sheet(
        ctx,
        (c) => {
          c.moveTo(x - 500, foot - 68)
          c.lineTo(x + 560, foot - 68)
          c.lineTo(x + 480, foot + 50)
          c.lineTo(x - 430, foot + 50)
          c.closePath()
        },
        '#2f4a5c',
        0.8,
        foot - 70,
        foot + 50,
      )
      ctx.fillStyle = stage.lit('#9c3f36', 0.8)
      ctx.fillRect(x - 440, foot + 18, 930, 32)
    },
    { top: foot - 360, motion: (t) => ({ dx: t * 6, dy: Math.sin(t * 0.9) * 3 }) },
  )
  wave(stage, 0.95, '#1b4c60', height * 0.86, 30, 170)
}

/** White light parted into colours by a wedge of glass. */
export const prism: Setting = async (stage) => {
  const { height, width } = stage
  const [x, y] = [width * 0.48, height * 0.52]
  stage.layer(0, (ctx) =>
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#22252f',
      0.95,
      0,
      height,
    ),
  )
  stage.live(0.4, (ctx, t) => {
    ctx.globalCompositeOperation = 'lighter'
    const sway = Math.sin(t * 0.7) * 26
    ctx.strokeStyle = 'rgba(255,252,240,0.85)'
    ctx.lineWidth = 22
    ctx.beginPath()
    ctx.moveTo(-120, y + 210 + sway)
    ctx.lineTo(x - 90, y + 10)
    ctx.stroke()
    ;['#d8443c', '#e8863a', '#ecd048', '#5fae5a', '#3f7fc4', '#6a4fa8'].forEach((colour, i) => {
      ctx.fillStyle = alpha(colour, 0.78)
      ctx.beginPath()
      ctx.moveTo(x + 80, y - 6 + i * 4)
      ctx.lineTo(width + 150, y + 30 + i * 64 + sway * 0.4)
      ctx.lineTo(width + 150, y + 94 + i * 64 + sway * 0.4)
      ctx.lineTo(x + 80, y - 2 + i * 4)
      ctx.fill()
    })
    ctx.globalCompositeOperation = 'source-over'
  })
  stage.layer(0.7, (ctx) => {
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x, y - 270)
        c.lineTo(x + 270, y + 200)
        c.lineTo(x - 270, y + 200)
        c.closePath()
      },
      'rgba(200,228,236,0.42)',
      0.8,
    )
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x, y - 270)
        c.lineTo(x + 60, y + 200)
        c.lineTo(x - 270, y + 200)
        c.closePath()
      },
      'rgba(240,250,252,0.2)',
      0.4,
    )
  })
}

export const atom: Setting = async (stage) => {
  const { height, width } = stage
  const [x, y] = [width / 2, height / 2]
  stage.layer(0, (ctx) => {
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#26344a',
      0.95,
      0,
      height,
    )
    glow(ctx, x, y, 700, '#5fa0d0', 0.35)
  })
  stage.layer(0.6, (ctx) => {
    for (let i = 0; i < 13; i++) {
      const a = i * 2.4,
        r = i * 6.4
      stage.sheet(
        ctx,
        (c) => c.arc(x + Math.cos(a) * r, y + Math.sin(a) * r, 40, 0, 7),
        i % 2 ? '#c8553f' : '#d8b06a',
        0.9,
        y - 110,
        y + 110,
      )
    }
  })
  const rings = [0, 1.05, 2.1]
  stage.live(0.7, (ctx, t) => {
    for (const turn of rings) {
      ctx.save()
      ctx.translate(x, y)
      ctx.rotate(turn)
      ctx.strokeStyle = 'rgba(220,236,245,0.5)'
      ctx.lineWidth = 5
      ctx.beginPath()
      ctx.ellipse(0, 0, 430, 150, 0, 0, 7)
      ctx.stroke()
      const a = t * 1.7 + turn * 2
      ctx.fillStyle = '#8fd8e0'
      ctx.beginPath()
      ctx.arc(Math.cos(a) * 430, Math.sin(a) * 150, 24, 0, 7)
      ctx.fill()
      ctx.restore()
    }
  })
}

/** Logs burning in a stone hearth. */
export const hearth: Setting = async (stage) => {
  const { height, width } = stage
  const x = width / 2
  stage.layer(0, (ctx) =>
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#6a5444',
      0.9,
      0,
      height,
    ),
  )
  stage.layer(0.3, (ctx) => {
    for (let row = 0; row < 13; row++)
      for (let i = -1; i < 15; i++)
        stage.paper(
          ctx,
          (c) => c.roundRect(i * 150 + (row % 2) * 70 - 60, row * 90 - 60, 140, 82, 10),
          stage.lit(stage.random.pick(['#8d8074', '#7d7066', '#9a8c7c']), 0.7),
          0.12,
        )
  })
  stage.layer(0.5, (ctx) => {
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x - 430, height + BLEED)
        c.lineTo(x - 430, height * 0.44)
        c.quadraticCurveTo(x, height * 0.2, x + 430, height * 0.44)
        c.lineTo(x + 430, height + BLEED)
        c.closePath()
      },
      '#1c1412',
      0.1,
    )
    glow(ctx, x, height * 0.8, 560, '#ff8a3a', 0.55)
  })
  for (const dx of [-170, -60, 60, 170])
    flame(stage, x + dx, height * 0.88, 1.2 + (Math.abs(dx) < 100 ? 0.6 : 0), 0.22)
  stage.layer(0.85, (ctx) => {
    for (const [dx, dy, turn] of [
      [-110, 0, 0.12],
      [110, 0, -0.1],
      [0, -34, 0.03],
    ] as const) {
      ctx.save()
      ctx.translate(x + dx, height * 0.9 + dy)
      ctx.rotate(turn)
      stage.sheet(ctx, (c) => c.roundRect(-250, -30, 500, 62, 30), '#5a3a28', 0.9, -30, 32)
      ctx.restore()
    }
  })
}

/** A single cell with its nucleus and what drifts in it. */
export const cell: Setting = async (stage) => {
  const { height, width, random } = stage
  const [x, y] = [width / 2, height / 2]
  stage.layer(0, (ctx) => {
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#b7cbb0',
      0.9,
      0,
      height,
    )
    glow(ctx, x, y, 800, '#fff6d8', 0.3)
  })
  stage.layer(0.4, (ctx) =>
    stage.sheet(
      ctx,
      (c) => {
        for (let a = 0; a < 6.3; a += 0.1)
          c.lineTo(
            x + Math.cos(a) * (560 + Math.sin(a * 3) * 26),
            y + Math.sin(a) * (400 + Math.cos(a * 4) * 20),
          )
        c.closePath()
      },
      '#e8a890',
      0.9,
      y - 400,
      y + 400,
    ),
  )
  stage.layer(0.5, (ctx) =>
    stage.sheet(
      ctx,
      (c) => {
        for (let a = 0; a < 6.3; a += 0.1)
          c.lineTo(
            x + Math.cos(a) * (520 + Math.sin(a * 3) * 26),
            y + Math.sin(a) * (364 + Math.cos(a * 4) * 20),
          )
        c.closePath()
      },
      '#f2cdb4',
      0.9,
      y - 400,
      y + 400,
    ),
  )
  stage.layer(0.7, (ctx) => {
    stage.sheet(ctx, (c) => c.arc(x - 60, y + 20, 160, 0, 7), '#9a6a9c', 0.9, y - 150, y + 180)
    stage.sheet(ctx, (c) => c.arc(x - 30, y, 62, 0, 7), '#6d4474', 0.9, y - 60, y + 60)
  })
  for (let i = 0; i < 11; i++) {
    const a = random.between(0, 6.3),
      r = random.between(230, 400),
      turn = random.between(0, 3)
    const [mx, my] = [x + Math.cos(a) * r, y + Math.sin(a) * r * 0.68]
    stage.layer(
      0.75,
      (ctx) => {
        ctx.translate(mx, my)
        ctx.rotate(turn)
        stage.sheet(
          ctx,
          (c) => c.ellipse(0, 0, 56, 26, 0, 0, 7),
          random.pick(['#c8664a', '#6f9a72', '#d8a24c']),
          0.9,
          -26,
          26,
        )
      },
      {
        left: mx - 110,
        right: mx + 110,
        top: my - 110,
        bottom: my + 110,
        motion: (t) => ({
          dx: Math.sin(t * 0.7 + a) * 12,
          dy: Math.cos(t * 0.6 + r) * 10,
          turn: Math.sin(t * 0.5 + a) * 0.2,
        }),
      },
    )
  }
}

/** Only the open sea, its waves and the light on them. */
export const openSea: Setting = async (stage) => sea(stage, nothing)

export const rain: Setting = async (stage) => {
  const { height, width } = stage
  stage.layer(0, (ctx) => {
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#5f7280',
      0.8,
      0,
      height,
    )
    for (let i = 0; i < 16; i++)
      glow(
        ctx,
        stage.random.between(0, width),
        stage.random.between(height * 0.3, height),
        stage.random.between(60, 160),
        stage.random.pick(['#ffd08a', '#ff9a6a', '#a8d0e0']),
        0.35,
      )
  })
  const drops = Array.from({ length: 130 }, () => ({
    x: stage.random.between(-40, width + 40),
    y: stage.random.next(),
    r: stage.random.between(4, 15),
    s: stage.random.next(),
  }))
  stage.live(0.7, (ctx, t) => {
    for (const { x, y, r, s } of drops) {
      const py = ((y + t * 0.05 * s * s) % 1) * (height + 80) - 40
      ctx.fillStyle = 'rgba(235,245,250,0.5)'
      ctx.beginPath()
      ctx.ellipse(x, py, r * 0.86, r, 0, 0, 7)
      ctx.fill()
      ctx.fillStyle = 'rgba(255,255,255,0.75)'
      ctx.beginPath()
      ctx.arc(x - r * 0.3, py - r * 0.3, r * 0.28, 0, 7)
      ctx.fill()
    }
  })
  stage.layer(0.9, (ctx) =>
    stage.paper(
      ctx,
      (c) => {
        c.rect(width / 2 - 18, -BLEED, 36, height + 2 * BLEED)
        c.rect(-BLEED, height * 0.5, width + 2 * BLEED, 34)
        c.rect(-BLEED, height * 0.94, width + 2 * BLEED, 200)
      },
      stage.lit('#e8dfd0', 0.9),
    ),
  )
}

/** The moon's faces through a month, in a row. */
export const moonPhases: Setting = async (stage) => {
  const { height, width } = stage
  stage.layer(0, (ctx) =>
    stage.paper(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#141a33',
      0,
    ),
  )
  stars(stage, 200, 1.05)
  for (let i = 0; i < 5; i++) {
    const [x, y, r] = [
      width * (0.14 + i * 0.18),
      height * (0.5 - Math.sin((i / 4) * Math.PI) * 0.08),
      118,
    ]
    stage.layer(0.4 + i * 0.05, (ctx) => {
      stage.paper(ctx, (c) => c.arc(x, y, r, 0, 7), '#2a3150', 0.2)
      ctx.save()
      ctx.beginPath()
      ctx.arc(x, y, r, 0, 7)
      ctx.clip()
      const side = i < 2 ? 1 : -1
      const bulge = [1, 0.2, -1, 0.2, 1][i]! * r
      ctx.fillStyle = '#ece5cf'
      ctx.beginPath()
      if (i === 2) ctx.arc(x, y, r, 0, 7)
      else {
        ctx.arc(x, y, r, -Math.PI / 2, Math.PI / 2, side < 0)
        ctx.ellipse(
          x,
          y,
          Math.max(2, Math.abs(bulge) * 0.7),
          r,
          0,
          Math.PI / 2,
          -Math.PI / 2,
          side > 0 ? i === 0 : i !== 4,
        )
      }
      ctx.fill()
      ctx.restore()
    })
  }
}

/** Thick cloud, and lightning now and then. */
export const lightning: Setting = async (stage) => {
  const { height, width } = stage
  sky(stage, { clouds: 0, disc: false, stars: false })
  const bolts = [
    { at: 1.2, x: 0.3 },
    { at: 3.9, x: 0.66 },
    { at: 6.4, x: 0.46 },
  ].map((b) => ({
    ...b,
    line: Array.from(
      { length: 9 },
      (_, i) =>
        [
          width * b.x + (i ? stage.random.between(-60, 60) : 0),
          height * (0.3 + i * 0.055),
        ] as const,
    ),
  }))
  stage.live(0.2, (ctx, t) => {
    for (const { at, line } of bolts) {
      const age = t - at
      if (age < 0 || age > 0.9) continue
      ctx.globalAlpha = 1 - age / 0.9
      ctx.strokeStyle = '#fff6d0'
      ctx.lineWidth = 9
      ctx.beginPath()
      for (const [x, y] of line) ctx.lineTo(x, y)
      ctx.stroke()
      glow(ctx, line[0]![0], line[4]![1], 560, '#cfd8ff', 0.5 * (1 - age / 0.9))
    }
    ctx.globalAlpha = 1
  })
  for (let i = 0; i < 9; i++)
    cloud(
      stage,
      width * stage.random.next(),
      height * stage.random.between(0.06, 0.34),
      stage.random.between(1.3, 2.2),
      0.25 + i * 0.03,
      '#59626e',
    )
  buildings(stage, 0.6, height * 0.96, 60, 190, ['#4a5264', '#565a68'], { roofs: true })
}
