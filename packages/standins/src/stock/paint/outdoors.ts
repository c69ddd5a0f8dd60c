import { alpha, darker, lighter } from './colour.ts'
import {
  buildings,
  cloud,
  glow,
  heightAt,
  pine,
  ridge,
  ridgeLine,
  roundTree,
  sky,
  stars,
  under,
  wave,
  weather,
} from './shapes.ts'
import { BLEED, type Ctx, type Stage } from './stage.ts'
import type { Seat } from './subject.ts'

/** Paints a place; calls `put` once, where in the order of layers its subject stands. */
export type Setting = (stage: Stage, put: (seat: Seat) => Promise<void>) => Promise<void>

const SEA = ['#7fb3b5', '#559aa3', '#3a7f8d', '#286577', '#1b4c60']

function seaSheets(stage: Stage, from: number, to: number, top: number, foot: number) {
  for (let i = from; i < to; i++) {
    const share = i / (SEA.length - 1)
    wave(
      stage,
      0.25 + share * 0.7,
      SEA[i]!,
      top + (foot - top) * share ** 1.15,
      20 + share * 34,
      90 + share * 110,
    )
  }
}

const third = (stage: Stage) => stage.width * stage.random.pick([0.36, 0.5, 0.62])

export const sea: Setting = async (stage, put) => {
  const { height } = stage
  sky(stage, { clouds: 3 })
  if (stage.random.next() < 0.5) ridge(stage, 0.12, '#8d8f9c', height * 0.58, 90, 0.55)
  seaSheets(stage, 0, 2, height * 0.55, height * 0.9)
  await put({ x: third(stage), foot: height * 0.7, size: height * 0.36, depth: 0.55 })
  seaSheets(stage, 2, 5, height * 0.56, height * 0.9)
}

export const storm: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 0, disc: false })
  for (let i = 0; i < 6; i++)
    cloud(
      stage,
      stage.random.between(0, width),
      height * stage.random.between(0.04, 0.3),
      stage.random.between(1.1, 1.9),
      0.08 + i * 0.03,
      '#6d7680',
    )
  for (let i = 0; i < 5; i++) {
    if (i === 2)
      await put({ x: third(stage), foot: height * 0.68, size: height * 0.32, depth: 0.55 })
    wave(stage, 0.3 + i * 0.16, SEA[i]!, height * (0.46 + i * 0.1), 70 + i * 12, 190 + i * 50)
  }
  weather(stage, 'rain')
}

export const beach: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  seaSheets(stage, 0, 3, height * 0.46, height * 0.72)
  const line = ridgeLine(stage.random, width, height * 0.76, 60, 0.4)
  stage.layer(
    0.75,
    (ctx) => stage.sheet(ctx, under(line, height + BLEED), '#f3ead2', 0.7, height * 0.68, height),
    { top: height * 0.6 },
  )
  const sand = line.map(([x, y]) => [x, y + 46] as [number, number])
  stage.layer(
    0.8,
    (ctx) => {
      stage.sheet(ctx, under(sand, height + BLEED), '#dfc08a', 0.85, height * 0.74, height + 200)
      for (let i = 0; i < 70; i++) {
        ctx.fillStyle = alpha(
          stage.lit(stage.random.pick(['#b89866', '#f6e7c4', '#8f7a5c']), 0.9),
          0.7,
        )
        ctx.beginPath()
        ctx.ellipse(
          stage.random.between(-100, width + 100),
          stage.random.between(height * 0.84, height * 1.05),
          stage.random.between(3, 11),
          stage.random.between(2, 5),
          0,
          0,
          7,
        )
        ctx.fill()
      }
    },
    { top: height * 0.6 },
  )
  await put({ x: third(stage), foot: height * 0.92, size: height * 0.42, depth: 0.9 })
}

export const coast: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.12, '#8a93a0', height * 0.56, 70, 0.5)
  seaSheets(stage, 0, 3, height * 0.54, height * 0.84)
  const right = stage.random.next() < 0.5
  const cliff: [number, number][] = [
    [-BLEED, 0.5],
    [width * 0.12, 0.49],
    [width * 0.3, 0.53],
    [width * 0.4, 0.6],
    [width * 0.47, 0.74],
    [width * 0.56, 0.86],
    [width * 0.7, 0.98],
  ].map(([x, y]) => [x!, y! * height + stage.random.between(-12, 12)])
  const line = right ? cliff.map(([x, y]) => [width - x, y] as [number, number]).reverse() : cliff
  const seatX = right ? width * 0.8 : width * 0.2
  await put({ x: seatX, foot: height * 0.54, size: height * 0.4, depth: 0.6 })
  stage.layer(
    0.66,
    (ctx) => {
      stage.sheet(ctx, under(line, height + BLEED), '#7c6a5d', 0.7, height * 0.45, height)
      stage.sheet(
        ctx,
        (c) => {
          line.forEach(([x, y], i) => (i ? c.lineTo(x, y) : c.moveTo(x, y)))
          ;[...line].reverse().forEach(([x, y], i) => c.lineTo(x, y + 30 + (i % 2) * 22))
          c.closePath()
        },
        '#72884f',
        0.7,
        height * 0.45,
        height * 0.7,
      )
    },
    { top: height * 0.4 },
  )
  seaSheets(stage, 3, 5, height * 0.6, height * 0.92)
}

export const harbour: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.14, '#7d8a80', height * 0.5, 120, 0.5)
  buildings(
    stage,
    0.3,
    height * 0.56,
    70,
    150,
    ['#d9c3a0', '#b9694f', '#e8ded0', '#8aa0a8', '#c99a5b'],
    { roofs: true, wide: 110 },
  )
  stage.layer(
    0.34,
    (ctx) =>
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.555, width + 2 * BLEED, 60),
        '#6f6459',
        0.4,
        height * 0.55,
        height * 0.62,
      ),
    { top: height * 0.5, bottom: height * 0.7 },
  )
  for (let i = 0; i < 4; i++)
    mast(
      stage,
      width * (0.1 + i * 0.25 + stage.random.between(-0.05, 0.05)),
      height * 0.63,
      stage.random.between(120, 190),
    )
  seaSheets(stage, 1, 3, height * 0.54, height * 0.88)
  await put({ x: third(stage), foot: height * 0.8, size: height * 0.36, depth: 0.72 })
  seaSheets(stage, 3, 5, height * 0.58, height * 0.92)
}

function mast(stage: Stage, x: number, foot: number, tall: number) {
  const colour = stage.random.pick(['#f0e6d2', '#a8483c', '#3f5f7a', '#d2a24c'])
  stage.layer(
    0.42,
    (ctx) => {
      stage.paper(
        ctx,
        (c) => c.rect(x - 3, foot - tall - 20, 6, tall),
        stage.lit('#5a4636', 0.4),
        0.05,
      )
      stage.paper(
        ctx,
        (c) => {
          c.moveTo(x - tall * 0.5, foot - 36)
          c.lineTo(x + tall * 0.5, foot - 36)
          c.lineTo(x + tall * 0.36, foot + 8)
          c.lineTo(x - tall * 0.34, foot + 8)
          c.closePath()
        },
        stage.lit(colour, 0.4),
      )
    },
    {
      left: x - tall,
      right: x + tall,
      top: foot - tall - 80,
      bottom: foot + 60,
      pivot: [x, foot],
      motion: (t) => ({ turn: Math.sin(t * 1.1 + x) * 0.02, dy: Math.sin(t * 1.4 + x) * 3 }),
    },
  )
}

export const underwater: Setting = async (stage, put) => {
  const { height, width } = stage
  const deepness = stage.light.time === 'night' ? '#04182c' : '#0d3d5c'
  stage.layer(0, (ctx) => {
    const fill = ctx.createLinearGradient(0, 0, 0, height)
    fill.addColorStop(0, stage.light.time === 'night' ? '#0f3a58' : '#5fb7c4')
    fill.addColorStop(0.5, stage.light.time === 'night' ? '#0a2a45' : '#2a7d98')
    fill.addColorStop(1, deepness)
    stage.paper(ctx, (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED), fill, 0)
  })
  stage.live(0.05, (ctx, t) => {
    ctx.globalCompositeOperation = 'lighter'
    for (let i = 0; i < 6; i++) {
      const x = width * (0.1 + i * 0.16) + Math.sin(t * 0.35 + i * 1.7) * 50
      const fill = ctx.createLinearGradient(0, -60, 0, height * 0.85)
      fill.addColorStop(0, 'rgba(210,245,240,0.17)')
      fill.addColorStop(1, 'rgba(210,245,240,0)')
      ctx.fillStyle = fill
      ctx.beginPath()
      ctx.moveTo(x, -80)
      ctx.lineTo(x + 90, -80)
      ctx.lineTo(x + 240 + i * 10, height)
      ctx.lineTo(x + 20, height)
      ctx.fill()
    }
    ctx.globalCompositeOperation = 'source-over'
  })
  const rock = (depth: number, base: number, tall: number, colour: string) => {
    const line = ridgeLine(stage.random, width, base, tall, 0.6)
    stage.layer(depth, (ctx) => stage.paper(ctx, under(line, height + BLEED), colour), {
      top: base - tall - 60,
    })
  }
  rock(0.2, height * 0.86, 260, '#1f647c')
  rock(0.4, height * 0.93, 200, '#17506a')
  await put({
    x: third(stage),
    foot: height * 0.68,
    size: height * 0.4,
    depth: 0.65,
    floating: true,
  })
  rock(0.75, height * 1.02, 190, '#103c54')
  for (let i = 0; i < 9; i++)
    weed(stage, stage.random.between(0, width), height * 1.02, stage.random.between(150, 330))
  bubbles(stage)
}

function weed(stage: Stage, x: number, foot: number, tall: number) {
  const colour = stage.random.pick(['#2f7a5a', '#3f8f6a', '#7a4a5c', '#b0603f'])
  const path = (c: Ctx) => {
    c.moveTo(x - 14, foot)
    c.bezierCurveTo(x - 44, foot - tall * 0.4, x + 30, foot - tall * 0.6, x, foot - tall)
    c.bezierCurveTo(x + 56, foot - tall * 0.6, x - 10, foot - tall * 0.4, x + 18, foot)
    c.closePath()
  }
  stage.layer(0.85, (ctx) => stage.paper(ctx, path, stage.lit(colour, 0.7)), {
    left: x - 100,
    right: x + 120,
    top: foot - tall - 30,
    bottom: foot + 40,
    pivot: [x, foot],
    motion: (t) => ({ turn: Math.sin(t * 0.9 + x) * 0.06 }),
  })
}

function bubbles(stage: Stage) {
  const all = Array.from({ length: 26 }, () => ({
    x: stage.random.next() * stage.width,
    y: stage.random.next(),
    r: stage.random.between(4, 15),
  }))
  stage.live(0.8, (ctx, t) => {
    for (const { x, y, r } of all) {
      const at = ((((y - t * (0.03 + r * 0.003)) % 1) + 1) % 1) * (stage.height + 60)
      ctx.strokeStyle = 'rgba(220,250,250,0.5)'
      ctx.fillStyle = 'rgba(220,250,250,0.12)'
      ctx.lineWidth = 2
      ctx.beginPath()
      ctx.arc(x + Math.sin(t * 1.3 + x) * 9, at, r, 0, 7)
      ctx.fill()
      ctx.stroke()
    }
  })
}

export const hills: Setting = async (stage, put) => {
  const { height } = stage
  sky(stage)
  ridge(stage, 0.15, '#7f9a94', height * 0.6, 150, 0.5)
  ridge(stage, 0.35, '#7fa06a', height * 0.68, 130, 0.42)
  const line = ridge(stage, 0.6, '#6c9150', height * 0.8, 120, 0.36)
  stage.layer(0.62, (ctx) => {
    for (let i = 0; i < 7; i++) {
      const x = stage.random.between(-60, stage.width + 60)
      roundTree(
        stage,
        ctx,
        x,
        heightAt(line, x) + 14,
        stage.random.between(110, 170),
        0.6,
        stage.random.pick(['#58803f', '#6f9447', '#86953f']),
      )
    }
  })
  ridge(stage, 0.82, '#55793f', height * 0.9, 70, 0.3)
  await put({ x: third(stage), foot: height * 0.93, size: height * 0.44, depth: 0.88 })
  meadow(stage, height * 0.98)
}

function meadow(stage: Stage, base: number) {
  stage.layer(
    0.96,
    (ctx) => {
      for (let i = 0; i < 150; i++) {
        const x = stage.random.between(-BLEED, stage.width + BLEED)
        const tall = stage.random.between(30, 80)
        stage.paper(
          ctx,
          (c) => {
            c.moveTo(x - 6, base + 90)
            c.quadraticCurveTo(x, base, x + stage.random.between(-22, 22), base - tall + 40)
            c.quadraticCurveTo(x + 6, base + 10, x + 8, base + 90)
            c.closePath()
          },
          stage.lit(stage.random.pick(['#3f6333', '#4d7339', '#36562f']), 0.95),
          0.06,
        )
      }
    },
    { top: base - 90, motion: (t) => ({ dx: Math.sin(t * 0.9) * 4 }) },
  )
}

export const mountains: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  for (let i = 0; i < 3; i++)
    peaks(
      stage,
      0.12 + i * 0.16,
      height * (0.62 + i * 0.08),
      420 - i * 80,
      ['#8794a6', '#6f7f92', '#5a6b78'][i]!,
      i < 2,
    )
  const line = ridge(stage, 0.62, '#4e6a52', height * 0.86, 110, 0.4)
  stage.layer(
    0.64,
    (ctx) => {
      for (let x = -100; x < width + 100; x += stage.random.between(34, 96))
        stage.paper(
          ctx,
          (c) => pine(c, x, heightAt(line, x) + 16, stage.random.between(90, 190)),
          stage.lit('#2f5044', 0.62),
          0.08,
        )
    },
    { top: height * 0.5 },
  )
  ridge(stage, 0.85, '#3f5a41', height * 0.95, 60, 0.3)
  await put({ x: third(stage), foot: height * 0.94, size: height * 0.4, depth: 0.9 })
}

function peaks(
  stage: Stage,
  depth: number,
  base: number,
  tall: number,
  colour: string,
  snow: boolean,
) {
  stage.layer(
    depth,
    (ctx) => {
      for (let x = -BLEED - 100; x < stage.width + BLEED; x += stage.random.between(220, 380)) {
        const h = tall * stage.random.between(0.55, 1)
        const half = h * stage.random.between(0.75, 1.05)
        const top = base - h
        stage.sheet(
          ctx,
          (c) => {
            c.moveTo(x - half, base + 40)
            c.lineTo(x, top)
            c.lineTo(x + half, base + 40)
            c.closePath()
          },
          colour,
          depth,
          top,
          base,
        )
        ctx.fillStyle = alpha('#0a0c20', 0.14)
        ctx.beginPath()
        ctx.moveTo(x, top)
        ctx.lineTo(x + half, base + 40)
        ctx.lineTo(x + half * 0.12, base + 40)
        ctx.lineTo(x - half * 0.08, top + h * 0.5)
        ctx.fill()
        if (snow)
          stage.paper(
            ctx,
            (c) => {
              const s = 0.3
              c.moveTo(x, top)
              c.lineTo(x + half * s, top + h * s)
              c.lineTo(x + half * s * 0.5, top + h * s * 0.82)
              c.lineTo(x + half * s * 0.1, top + h * s * 1.1)
              c.lineTo(x - half * s * 0.4, top + h * s * 0.84)
              c.lineTo(x - half * s, top + h * s * 1.02)
              c.closePath()
            },
            stage.lit('#f6f3ec', 0.4 + depth),
            0.1,
          )
      }
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, base, stage.width + 2 * BLEED, stage.height),
        colour,
        depth,
        base,
        stage.height,
      )
    },
    { top: base - tall - 60 },
  )
}

export const forest: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 0 })
  for (let i = 0; i < 4; i++) {
    const depth = 0.15 + i * 0.2
    const foot = height * (0.7 + i * 0.075)
    if (i === 3)
      await put({ x: third(stage), foot: height * 0.93, size: height * 0.4, depth: 0.72 })
    stage.layer(depth, (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, foot - 14, width + 2 * BLEED, height),
        '#4a6642',
        depth,
        foot - 20,
        height,
      )
      const colour = ['#6f8f80', '#4f7562', '#365a48', '#22402f'][i]!
      for (let x = -130; x < width + 130;) {
        const near = i === 3
        if (!near || x < width * 0.2 || x > width * 0.82)
          stage.paper(
            ctx,
            (c) => pine(c, x, foot, stage.random.between(330, 560) * (0.75 + i * 0.22)),
            stage.lit(colour, depth),
            0.09,
          )
        x += stage.random.between(80, 170) + i * 30
      }
    })
  }
  if (stage.light.time === 'dawn' || stage.light.time === 'day') sunShafts(stage)
}

function sunShafts(stage: Stage) {
  stage.live(0.3, (ctx, t) => {
    ctx.globalCompositeOperation = 'lighter'
    for (let i = 0; i < 5; i++) {
      const x = stage.width * (0.15 + i * 0.2) + Math.sin(t * 0.2 + i) * 20
      const fill = ctx.createLinearGradient(x, 0, x - 300, stage.height)
      fill.addColorStop(0, alpha(stage.light.disc!.glow, 0.13))
      fill.addColorStop(1, alpha(stage.light.disc!.glow, 0))
      ctx.fillStyle = fill
      ctx.beginPath()
      ctx.moveTo(x, -60)
      ctx.lineTo(x + 110, -60)
      ctx.lineTo(x - 260, stage.height)
      ctx.lineTo(x - 460, stage.height)
      ctx.fill()
    }
    ctx.globalCompositeOperation = 'source-over'
  })
}

export const desert: Setting = async (stage, put) => {
  const { height } = stage
  sky(stage, { clouds: 1 })
  ridge(stage, 0.15, '#c79a78', height * 0.62, 140, 0.45)
  ridge(stage, 0.4, '#d9ac72', height * 0.72, 130, 0.3)
  ridge(stage, 0.65, '#cf9a58', height * 0.84, 120, 0.28)
  await put({ x: third(stage), foot: height * 0.9, size: height * 0.44, depth: 0.78 })
  ridge(stage, 0.9, '#b67f43', height * 1.0, 90, 0.25)
}

export const river: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.15, '#7c958f', height * 0.52, 150, 0.5)
  const bank = ridge(stage, 0.35, '#72955c', height * 0.6, 70, 0.4)
  stage.layer(0.37, (ctx) => {
    for (let i = 0; i < 9; i++) {
      const x = stage.random.between(-60, width + 60)
      roundTree(
        stage,
        ctx,
        x,
        heightAt(bank, x) + 12,
        stage.random.between(120, 190),
        0.4,
        stage.random.pick(['#5d8344', '#77964b', '#a08c42']),
      )
    }
  })
  seaSheets(stage, 0, 3, height * 0.6, height * 0.88)
  await put({ x: third(stage), foot: height * 0.82, size: height * 0.36, depth: 0.7 })
  seaSheets(stage, 3, 4, height * 0.62, height * 0.9)
  ridge(stage, 0.92, '#4d7040', height * 1.04, 130, 0.35)
}

export const snowland: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 2 })
  peaks(stage, 0.18, height * 0.66, 340, '#93a5ba', true)
  for (let i = 0; i < 3; i++) {
    const depth = 0.4 + i * 0.22
    const line = ridge(stage, depth, '#e9edf0', height * (0.72 + i * 0.1), 80, 0.35)
    if (i < 2)
      stage.layer(
        depth + 0.01,
        (ctx) => {
          for (let x = -80; x < width + 80; x += stage.random.between(90, 230))
            stage.paper(
              ctx,
              (c) => pine(c, x, heightAt(line, x) + 14, stage.random.between(100, 200)),
              stage.lit('#5c7d7a', depth),
              0.3,
            )
        },
        { top: height * 0.4 },
      )
  }
  await put({ x: third(stage), foot: height * 0.95, size: height * 0.42, depth: 0.9 })
  weather(stage, 'snow')
}

export const farm: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.15, '#88a08a', height * 0.56, 110, 0.5)
  ridge(stage, 0.35, '#9aa85c', height * 0.64, 70, 0.35)
  barn(stage, width * (stage.random.next() < 0.5 ? 0.16 : 0.8), height * 0.66)
  stage.layer(
    0.6,
    (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.66, width + 2 * BLEED, height),
        '#c7a650',
        0.6,
        height * 0.66,
        height,
      )
      for (let i = -14; i <= 14; i++) {
        ctx.strokeStyle = alpha(stage.lit('#7d6a34', 0.6), 0.55)
        ctx.lineWidth = 7
        ctx.beginPath()
        ctx.moveTo(width / 2 + i * 46, height * 0.66)
        ctx.lineTo(width / 2 + i * 260, height + 140)
        ctx.stroke()
      }
    },
    { top: height * 0.6 },
  )
  await put({ x: third(stage), foot: height * 0.92, size: height * 0.42, depth: 0.88 })
  meadow(stage, height * 1.01)
}

function barn(stage: Stage, x: number, foot: number) {
  stage.layer(0.45, (ctx) => {
    stage.paper(ctx, (c) => c.rect(x - 110, foot - 120, 220, 140), stage.lit('#9c4636', 0.45))
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x - 130, foot - 116)
        c.lineTo(x - 70, foot - 190)
        c.lineTo(x + 70, foot - 190)
        c.lineTo(x + 130, foot - 116)
        c.closePath()
      },
      stage.lit('#5d4a44', 0.45),
    )
    stage.paper(ctx, (c) => c.rect(x - 34, foot - 76, 68, 96), stage.lit('#e9dcc0', 0.45))
  })
}

export const village: Setting = async (stage, put) => {
  const { height } = stage
  sky(stage)
  ridge(stage, 0.15, '#7f9a8c', height * 0.6, 190, 0.5)
  buildings(stage, 0.35, height * 0.72, 90, 150, ['#e3d3b4', '#cfae86', '#efe7da', '#b98a68'], {
    roofs: true,
    wide: 120,
  })
  const line = ridge(stage, 0.55, '#7c9a58', height * 0.8, 60, 0.35)
  stage.layer(0.57, (ctx) => {
    for (let i = 0; i < 6; i++) {
      const x = stage.random.between(0, stage.width)
      roundTree(
        stage,
        ctx,
        x,
        heightAt(line, x) + 16,
        stage.random.between(120, 180),
        0.55,
        '#5f8743',
      )
    }
  })
  ridge(stage, 0.8, '#66854a', height * 0.92, 50, 0.3)
  await put({ x: third(stage), foot: height * 0.95, size: height * 0.42, depth: 0.9 })
}

export const city: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  buildings(stage, 0.15, height * 0.86, 260, 560, ['#8c97a8', '#a3a9b2', '#7a8496'])
  buildings(stage, 0.4, height * 0.88, 180, 420, ['#6f7b8f', '#8a8794', '#5f6d80', '#9a8a80'])
  buildings(stage, 0.65, height * 0.9, 90, 260, ['#53607a', '#6a6470', '#475468', '#7a6a62'])
  stage.layer(
    0.8,
    (ctx) =>
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.885, width + 2 * BLEED, height),
        '#4a4c54',
        0.85,
        height * 0.88,
        height,
      ),
    { top: height * 0.85 },
  )
  await put({ x: third(stage), foot: height * 0.96, size: height * 0.38, depth: 0.9 })
}

export const street: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 2 })
  buildings(stage, 0.25, height * 0.8, 320, 520, ['#9aa3ac', '#b3a79a', '#8d94a2'])
  buildings(
    stage,
    0.5,
    height * 0.8,
    230,
    370,
    ['#c98f6a', '#d9c7a2', '#9fb0a8', '#b86a54', '#e2d6c2'],
    { roofs: true, wide: 190 },
  )
  stage.layer(
    0.7,
    (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.8, width + 2 * BLEED, height),
        '#a39c90',
        0.75,
        height * 0.8,
        height,
      )
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.865, width + 2 * BLEED, height),
        '#55565c',
        0.8,
        height * 0.86,
        height + 120,
      )
      ctx.fillStyle = alpha('#f2ead2', 0.7)
      for (let x = -100; x < width + 100; x += 190) ctx.fillRect(x, height * 0.965, 100, 9)
    },
    { top: height * 0.7 },
  )
  for (const x of [width * 0.12, width * 0.88]) lamp(stage, x, height * 0.865)
  await put({ x: third(stage), foot: height * 0.93, size: height * 0.36, depth: 0.86 })
}

function lamp(stage: Stage, x: number, foot: number) {
  stage.layer(
    0.78,
    (ctx) => {
      stage.paper(
        ctx,
        (c) => {
          c.rect(x - 5, foot - 300, 10, 300)
          c.roundRect(x - 24, foot - 350, 48, 58, 10)
        },
        stage.lit('#2e3440', 0.8),
        0.1,
      )
      ctx.fillStyle = stage.light.lampsLit ? '#ffe3a0' : '#d8dde0'
      ctx.fillRect(x - 14, foot - 340, 28, 38)
      if (stage.light.lampsLit) glow(ctx, x, foot - 320, 210, '#ffcf7a', 0.55)
    },
    { left: x - 230, right: x + 230, top: foot - 560, bottom: foot + 40 },
  )
}

export const road: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.15, '#8497a0', height * 0.58, 170, 0.5)
  ridge(stage, 0.35, '#7f9a62', height * 0.64, 80, 0.4)
  stage.layer(
    0.6,
    (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.62, width + 2 * BLEED, height),
        '#86a05c',
        0.6,
        height * 0.62,
        height,
      )
      stage.sheet(
        ctx,
        (c) => {
          c.moveTo(width * 0.49, height * 0.62)
          c.lineTo(width * 0.51, height * 0.62)
          c.lineTo(width * 0.86, height + BLEED)
          c.lineTo(width * 0.14, height + BLEED)
          c.closePath()
        },
        '#5b5d63',
        0.7,
        height * 0.62,
        height,
      )
      ctx.fillStyle = alpha('#f5eeda', 0.85)
      for (let i = 0; i < 7; i++) {
        const near = ((i + 0.3) / 7) ** 1.9
        const y = height * 0.63 + near * height * 0.4
        ctx.fillRect(width / 2 - 2 - near * 7, y, 4 + near * 14, 8 + near * 60)
      }
    },
    { top: height * 0.55 },
  )
  await put({ x: width * 0.5, foot: height * 0.93, size: height * 0.36, depth: 0.8 })
  stage.layer(0.92, (ctx) => {
    for (const x of [width * 0.05, width * 0.95])
      roundTree(stage, ctx, x, height * 0.98, 520, 0.9, '#4f7339')
  })
}

export const railway: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.15, '#7f919a', height * 0.56, 190, 0.5)
  ridge(stage, 0.38, '#7d985c', height * 0.68, 80, 0.4)
  stage.layer(
    0.7,
    (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.78, width + 2 * BLEED, height),
        '#8a8070',
        0.7,
        height * 0.78,
        height,
      )
      for (let x = -BLEED; x < width + BLEED; x += 64)
        stage.paper(ctx, (c) => c.rect(x, height * 0.845, 40, 30), stage.lit('#5a4436', 0.75), 0.06)
      for (const y of [0.838, 0.872])
        stage.paper(
          ctx,
          (c) => c.rect(-BLEED, height * y, width + 2 * BLEED, 9),
          stage.lit('#b9bec4', 0.8),
          0.3,
        )
    },
    { top: height * 0.7 },
  )
  await put({ x: third(stage), foot: height * 0.872, size: height * 0.44, depth: 0.82 })
  meadow(stage, height * 1.0)
}

export const skyward: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 4 })
  for (let i = 0; i < 3; i++)
    cloud(
      stage,
      width * stage.random.next(),
      height * stage.random.between(0.7, 0.95),
      stage.random.between(1.2, 1.9),
      0.3 + i * 0.1,
    )
  await put({
    x: third(stage),
    foot: height * 0.66,
    size: height * 0.42,
    depth: 0.7,
    floating: true,
  })
  for (let i = 0; i < 3; i++) cloud(stage, width * (0.1 + i * 0.4), height * 1.02, 2.2, 0.9)
}

export const space: Setting = async (stage, put) => {
  const { height, width } = stage
  stage.layer(0, (ctx) => {
    const fill = ctx.createLinearGradient(0, 0, width, height)
    fill.addColorStop(0, '#080b1c')
    fill.addColorStop(0.5, '#141737')
    fill.addColorStop(1, '#0a0d22')
    stage.paper(ctx, (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED), fill, 0)
    for (let i = 0; i < 5; i++)
      glow(
        ctx,
        stage.random.between(0, width),
        stage.random.between(0, height),
        stage.random.between(300, 620),
        stage.random.pick(['#3b2a6b', '#204a72', '#5a2a52']),
        0.4,
      )
  })
  stars(stage, 260, 1.05)
  await put({
    x: third(stage),
    foot: height * 0.74,
    size: height * 0.5,
    depth: 0.6,
    floating: true,
  })
  if (stage.random.next() < 0.5)
    stage.layer(
      0.85,
      (ctx) =>
        stage.paper(ctx, (c) => c.arc(width * 0.5, height * 2.05, height * 1.2, 0, 7), '#3a3f5e'),
      { top: height * 0.75 },
    )
}

export const starryHill: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 0, stars: true })
  stars(stage, 160)
  ridge(stage, 0.3, '#3d4a62', height * 0.76, 130, 0.5)
  ridge(stage, 0.6, '#2c3a48', height * 0.88, 90, 0.36)
  await put({ x: third(stage), foot: height * 0.92, size: height * 0.4, depth: 0.8 })
  stage.layer(0.95, (ctx) => {
    for (const x of [0.03, 0.1, 0.93, 0.99])
      stage.paper(
        ctx,
        (c) => pine(c, width * x, height * 1.04, 480),
        stage.lit('#16241f', 0.9),
        0.1,
      )
  })
}

export const garden: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 2 })
  stage.layer(0.3, (ctx) => {
    for (let x = -100; x < width + 150; x += 150)
      roundTree(
        stage,
        ctx,
        x,
        height * 0.72,
        stage.random.between(260, 400),
        0.32,
        stage.random.pick(['#6c9450', '#5b8650', '#8aa050']),
      )
  })
  stage.layer(0.5, (ctx) => {
    for (let x = -BLEED; x < width + BLEED; x += 46)
      stage.paper(
        ctx,
        (c) => {
          c.moveTo(x, height * 0.8)
          c.lineTo(x, height * 0.64)
          c.lineTo(x + 17, height * 0.62)
          c.lineTo(x + 34, height * 0.64)
          c.lineTo(x + 34, height * 0.8)
          c.closePath()
        },
        stage.lit('#efe6d4', 0.5),
        0.2,
      )
  })
  ridge(stage, 0.7, '#6f9a50', height * 0.82, 30, 0.3)
  stage.layer(0.74, (ctx) => {
    for (let i = 0; i < 46; i++) {
      const [x, y] = [
        stage.random.between(-80, width + 80),
        stage.random.between(height * 0.8, height * 0.88),
      ]
      stage.paper(
        ctx,
        (c) => {
          for (let p = 0; p < 5; p++) {
            c.moveTo(x + Math.cos(p * 1.26) * 9 + 8, y + Math.sin(p * 1.26) * 9)
            c.arc(x + Math.cos(p * 1.26) * 9, y + Math.sin(p * 1.26) * 9, 8, 0, 7)
          }
        },
        stage.lit(stage.random.pick(['#e2697a', '#f2c14e', '#b07ac2', '#f4efe2']), 0.75),
        0.1,
      )
    }
  })
  await put({ x: third(stage), foot: height * 0.94, size: height * 0.42, depth: 0.88 })
  meadow(stage, height * 1.0)
}

export const ruins: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.15, '#a49a8a', height * 0.62, 150, 0.5)
  ridge(stage, 0.4, '#b3a276', height * 0.74, 60, 0.35)
  stage.layer(0.55, (ctx) => {
    const stone = stage.lit('#e0d2b4', 0.55)
    for (let i = 0; i < 7; i++) {
      const x = width * (0.06 + i * 0.147)
      const tall = i % 3 === 2 ? stage.random.between(130, 210) : 380
      stage.paper(ctx, (c) => c.rect(x - 26, height * 0.8 - tall, 52, tall), stone)
      ctx.fillStyle = alpha('#4a3a2a', 0.18)
      for (const dx of [-14, 0, 14])
        ctx.fillRect(x + dx - 3, height * 0.8 - tall + 14, 6, tall - 24)
      stage.paper(
        ctx,
        (c) => {
          c.rect(x - 40, height * 0.8 - 22, 80, 24)
          if (tall > 300) c.rect(x - 38, height * 0.8 - tall - 20, 76, 24)
        },
        stone,
      )
    }
    stage.paper(ctx, (c) => c.rect(width * 0.02, height * 0.8 - 440, width * 0.24, 46), stone)
  })
  ridge(stage, 0.78, '#a08c5c', height * 0.86, 40, 0.3)
  await put({ x: third(stage), foot: height * 0.94, size: height * 0.4, depth: 0.9 })
}

export const castleHill: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage)
  ridge(stage, 0.15, '#7d8e94', height * 0.62, 170, 0.5)
  const cx = width * stage.random.pick([0.32, 0.68])
  stage.layer(0.42, (ctx) => {
    const stone = stage.lit('#a59c90', 0.45)
    const tower = (x: number, w: number, h: number) => {
      stage.paper(
        ctx,
        (c) => {
          c.rect(x - w / 2, height * 0.66 - h, w, h + 40)
          for (let k = 0; k < 3; k++)
            c.rect(x - w / 2 - 6 + k * (w / 2 - 3), height * 0.66 - h - 22, w / 4, 24)
        },
        stone,
      )
      ctx.fillStyle = stage.light.lampsLit ? '#ffd98a' : 'rgba(20,24,40,0.5)'
      ctx.fillRect(x - 7, height * 0.66 - h + 40, 14, 30)
    }
    tower(cx, 110, 330)
    tower(cx - 150, 84, 220)
    tower(cx + 150, 84, 240)
    stage.paper(ctx, (c) => c.rect(cx - 190, height * 0.66 - 120, 380, 160), stone)
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(cx - 34, height * 0.68)
        c.lineTo(cx - 34, height * 0.61)
        c.arc(cx, height * 0.61, 34, Math.PI, 0)
        c.lineTo(cx + 34, height * 0.68)
        c.closePath()
      },
      stage.lit('#4a3a30', 0.45),
    )
  })
  ridge(stage, 0.5, '#6f8a58', height * 0.76, 90, 0.35)
  ridge(stage, 0.78, '#567446', height * 0.9, 60, 0.3)
  await put({ x: width - cx, foot: height * 0.94, size: height * 0.4, depth: 0.9 })
}

export const factory: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 2 })
  buildings(stage, 0.2, height * 0.78, 120, 260, ['#8d97a0', '#9a938c'], { wide: 220 })
  const chimneys = [0.18, 0.3, 0.76].map((x) => x * width)
  stage.layer(0.4, (ctx) => {
    for (const x of chimneys)
      stage.paper(
        ctx,
        (c) => {
          c.moveTo(x - 34, height * 0.8)
          c.lineTo(x - 22, height * 0.3)
          c.lineTo(x + 22, height * 0.3)
          c.lineTo(x + 34, height * 0.8)
          c.closePath()
        },
        stage.lit('#a0604a', 0.42),
      )
  })
  for (const x of chimneys) smoke(stage, x, height * 0.3)
  stage.layer(0.5, (ctx) => {
    for (let i = -1; i < 6; i++) {
      const x = i * 340
      stage.paper(
        ctx,
        (c) => {
          c.moveTo(x, height * 0.84)
          c.lineTo(x, height * 0.62)
          c.lineTo(x + 210, height * 0.5)
          c.lineTo(x + 210, height * 0.62)
          c.lineTo(x + 340, height * 0.62)
          c.lineTo(x + 340, height * 0.84)
          c.closePath()
        },
        stage.lit('#7c6a62', 0.5),
      )
      ctx.fillStyle = stage.light.lampsLit ? '#ffd98a' : 'rgba(190,215,225,0.55)'
      for (let w = 0; w < 4; w++) ctx.fillRect(x + 30 + w * 78, height * 0.7, 46, 56)
    }
  })
  stage.layer(
    0.8,
    (ctx) =>
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, height * 0.83, width + 2 * BLEED, height),
        '#6b675f',
        0.8,
        height * 0.82,
        height,
      ),
    { top: height * 0.78 },
  )
  await put({ x: third(stage), foot: height * 0.94, size: height * 0.38, depth: 0.9 })
}

export function smoke(stage: Stage, x: number, y: number, colour = '#d8d4cc') {
  const puffs = Array.from({ length: 7 }, (_, i) => ({
    start: i / 7,
    wobble: stage.random.between(0, 6),
  }))
  stage.live(0.4, (ctx, t) => {
    for (const { start, wobble } of puffs) {
      const age = (start + t * 0.11) % 1
      ctx.globalAlpha = 0.55 * (1 - age) * Math.min(1, age * 6)
      ctx.fillStyle = stage.lit(colour, 0.4)
      ctx.beginPath()
      ctx.arc(x + age * 150 + Math.sin(wobble + age * 5) * 14, y - age * 250, 26 + age * 66, 0, 7)
      ctx.fill()
    }
  })
}

export const volcanic: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 1 })
  ridge(stage, 0.15, '#6f6a78', height * 0.66, 160, 0.5)
  smoke(stage, width * 0.5, height * 0.3, '#8a807c')
  await put({ x: width * 0.5, foot: height * 0.84, size: height * 0.62, depth: 0.5 })
  ridge(stage, 0.7, '#4a434c', height * 0.88, 70, 0.4)
  ridge(stage, 0.92, '#332e38', height * 1.0, 60, 0.3)
}

export const market: Setting = async (stage, put) => {
  const { height, width } = stage
  sky(stage, { clouds: 2 })
  buildings(stage, 0.25, height * 0.72, 220, 380, ['#d9c7a2', '#c98f6a', '#b8b0a4'], {
    roofs: true,
    wide: 200,
  })
  stage.layer(0.5, (ctx) => {
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, height * 0.72, width + 2 * BLEED, height),
      '#a89c88',
      0.6,
      height * 0.72,
      height,
    )
    for (const x of [width * 0.14, width * 0.86]) {
      stage.paper(
        ctx,
        (c) => {
          c.rect(x - 190, height * 0.5, 12, 330)
          c.rect(x + 178, height * 0.5, 12, 330)
        },
        stage.lit('#6b4c38', 0.6),
        0.08,
      )
      for (let i = 0; i < 8; i++)
        stage.paper(
          ctx,
          (c) => {
            const l = x - 220 + i * 55
            c.moveTo(l + 12, height * 0.42)
            c.lineTo(l + 43, height * 0.42)
            c.lineTo(l + 55, height * 0.53)
            c.arc(l + 27.5, height * 0.53, 27.5, 0, Math.PI)
            c.closePath()
          },
          stage.lit(i % 2 ? '#f2e8d4' : '#b8503f', 0.6),
          0.1,
        )
    }
  })
  counter(stage, height * 0.86, '#8a6344')
  await put({ x: third(stage), foot: height * 0.885, size: height * 0.4, depth: 0.88 })
}

export function counter(stage: Stage, y: number, colour: string) {
  stage.layer(
    0.84,
    (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, y, stage.width + 2 * BLEED, stage.height),
        colour,
        0.86,
        y,
        stage.height + 160,
      )
      for (let i = 0; i < 9; i++) {
        ctx.strokeStyle = alpha(darker(colour, 0.5), 0.22)
        ctx.lineWidth = 3
        const line = y + 24 + i * 26
        ctx.beginPath()
        ctx.moveTo(-BLEED, line)
        ctx.bezierCurveTo(
          stage.width * 0.3,
          line + stage.random.between(-9, 9),
          stage.width * 0.6,
          line + stage.random.between(-9, 9),
          stage.width + BLEED,
          line,
        )
        ctx.stroke()
      }
      ctx.fillStyle = alpha(lighter(stage.lit(colour, 0.86), 0.5), 0.4)
      ctx.fillRect(-BLEED, y, stage.width + 2 * BLEED, 5)
    },
    { top: y - 50 },
  )
}
