import { alpha, darker, lighter } from './colour.ts'
import { counter, type Setting } from './outdoors.ts'
import { glow, weather } from './shapes.ts'
import { BLEED, type Ctx, type Stage } from './stage.ts'

interface Room {
  wall: string
  table: string
  /** What hangs or stands at the wall, left and right. */
  furniture: readonly ((stage: Stage, x: number) => void)[]
}

/** Where furniture stands along the wall, shares of the width, by how much of it there is. */
const PLACES: Partial<Record<number, number[]>> = { 1: [0.74], 2: [0.2, 0.8] }

/**
 * A room: wall, light from one side, furniture at the wall, and a table or floor for the subject.
 */
const room =
  ({ wall, table, furniture }: Room): Setting =>
  async (stage, put) => {
    const { width, height } = stage
    stage.layer(0, (ctx) => {
      stage.sheet(
        ctx,
        (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
        wall,
        0.75,
        0,
        height * 1.1,
      )
      glow(
        ctx,
        width * 0.3,
        height * 0.2,
        width * 0.5,
        stage.light.lampsLit ? '#ffb45e' : '#fff3d6',
        stage.light.lampsLit ? 0.2 : 0.26,
      )
    })
    const places = PLACES[furniture.length] ?? [0.14, 0.5, 0.86]
    const flipped = stage.random.next() < 0.5
    furniture.forEach((draw, i) => draw(stage, width * (flipped ? 1 - places[i]! : places[i]!)))
    if (stage.light.lampsLit) pendant(stage, width * stage.random.between(0.4, 0.6))
    counter(stage, height * 0.78, table)
    await put({
      x: width * stage.random.pick([0.42, 0.5, 0.57]),
      foot: height * 0.855,
      size: height * 0.46,
      depth: 0.88,
    })
    weather(stage, 'dust')
  }

function pendant(stage: Stage, x: number) {
  stage.layer(0.35, (ctx) => {
    stage.paper(
      ctx,
      (c) => c.rect(x - 2.5, -BLEED, 5, BLEED + 130),
      stage.lit('#3a3030', 0.5),
      0.05,
    )
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x - 30, 120)
        c.lineTo(x + 30, 120)
        c.lineTo(x + 92, 210)
        c.lineTo(x - 92, 210)
        c.closePath()
      },
      stage.lit('#b5563c', 0.4),
    )
    glow(ctx, x, 250, 420, '#ffc56e', 0.5)
  })
}

function windowPane(stage: Stage, x: number) {
  const { height, light } = stage
  const [w, h, y] = [300, 400, height * 0.12]
  stage.layer(0.2, (ctx) => {
    const fill = ctx.createLinearGradient(0, y, 0, y + h)
    light.sky.forEach((colour, i) => fill.addColorStop(i / 2, colour))
    stage.paper(
      ctx,
      (c) => c.rect(x - w / 2 - 18, y - 18, w + 36, h + 36),
      stage.lit('#f0e8d8', 0.7),
    )
    ctx.fillStyle = fill
    ctx.fillRect(x - w / 2, y, w, h)
    ctx.save()
    ctx.beginPath()
    ctx.rect(x - w / 2, y, w, h)
    ctx.clip()
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x - w, y + h + 20)
        c.quadraticCurveTo(x - 60, y + h * 0.5, x + w, y + h * 0.82)
        c.lineTo(x + w, y + h + 20)
        c.closePath()
      },
      stage.lit('#7d9a72', 0.3),
    )
    ctx.restore()
    stage.paper(
      ctx,
      (c) => {
        c.rect(x - 7, y, 14, h)
        c.rect(x - w / 2, y + h * 0.46, w, 14)
        c.rect(x - w / 2 - 34, y + h + 14, w + 68, 24)
      },
      stage.lit('#f4ecdc', 0.7),
      0.15,
    )
    if (!light.lampsLit) glow(ctx, x, y + h / 2, 420, '#fff2cc', 0.22)
  })
}

function shelves(kind: 'books' | 'jars' | 'glass' | 'boxes') {
  const colours = {
    books: ['#9c4a3e', '#3f5f7a', '#c79a4c', '#5d7a58', '#7a5570', '#d8cdb8'],
    jars: ['#d9a05a', '#b9694f', '#e8dcc0', '#8a9a68'],
    glass: ['#8fc1c4', '#b6d4a8', '#d8a6a0', '#a8b6dc'],
    boxes: ['#b48a60', '#c9a878', '#97714e'],
  }[kind]
  return (stage: Stage, x: number) => {
    const { height, random } = stage
    stage.layer(0.22, (ctx) => {
      for (const y of [0.26, 0.44, 0.62]) {
        for (let bx = x - 190; bx < x + 160;) {
          const w = kind === 'books' ? random.between(20, 42) : random.between(48, 84)
          const h = kind === 'books' ? random.between(96, 140) : random.between(70, 116)
          const colour = stage.lit(random.pick(colours), 0.55)
          const top = height * y - h
          if (random.next() < 0.86)
            stage.paper(
              ctx,
              (c) => thing(c, kind, bx, top, w, h),
              kind === 'glass' ? alpha(colour, 0.78) : colour,
              0.2,
            )
          bx += w + (kind === 'books' ? 2 : 16)
        }
        stage.paper(ctx, (c) => c.rect(x - 210, height * y, 420, 20), stage.lit('#7d5b42', 0.6))
      }
    })
  }
}

function thing(c: Ctx, kind: string, x: number, y: number, w: number, h: number) {
  if (kind === 'jars') {
    c.roundRect(x, y + 14, w, h - 14, 12)
    c.rect(x + 8, y, w - 16, 18)
  } else if (kind === 'glass') {
    c.moveTo(x + w * 0.4, y)
    c.lineTo(x + w * 0.6, y)
    c.lineTo(x + w * 0.6, y + h * 0.4)
    c.lineTo(x + w, y + h)
    c.lineTo(x, y + h)
    c.lineTo(x + w * 0.4, y + h * 0.4)
    c.closePath()
  } else c.rect(x, y, w, h)
}

function frame(stage: Stage, x: number) {
  const y = stage.height * stage.random.between(0.2, 0.28)
  stage.layer(0.2, (ctx) => {
    stage.paper(ctx, (c) => c.rect(x - 120, y, 240, 180), stage.lit('#6b4a36', 0.6))
    stage.paper(ctx, (c) => c.rect(x - 102, y + 18, 204, 144), stage.lit('#cfe0dc', 0.6), 0.05)
    stage.paper(
      ctx,
      (c) => {
        c.moveTo(x - 102, y + 162)
        c.lineTo(x - 40, y + 70)
        c.lineTo(x + 10, y + 130)
        c.lineTo(x + 50, y + 90)
        c.lineTo(x + 102, y + 162)
        c.closePath()
      },
      stage.lit('#7c9a84', 0.6),
      0.1,
    )
  })
}

function board(stage: Stage, x: number) {
  const { height, random } = stage
  stage.layer(0.2, (ctx) => {
    stage.paper(ctx, (c) => c.rect(x - 380, height * 0.12, 760, 420), stage.lit('#7a5a3e', 0.6))
    stage.paper(
      ctx,
      (c) => c.rect(x - 360, height * 0.12 + 20, 720, 380),
      stage.lit('#2f4a40', 0.7),
      0.05,
    )
    ctx.strokeStyle = 'rgba(240,240,225,0.6)'
    ctx.lineWidth = 4
    for (let i = 0; i < 5; i++) {
      ctx.beginPath()
      for (let k = 0; k < 9; k++)
        ctx.lineTo(x - 310 + k * 36, height * 0.2 + i * 56 + random.between(-7, 7))
      ctx.stroke()
    }
    ctx.beginPath()
    ctx.arc(x + 200, height * 0.32, 90, 0, 7)
    ctx.moveTo(x + 200, height * 0.32)
    ctx.lineTo(x + 270, height * 0.27)
    ctx.stroke()
  })
}

function toolWall(stage: Stage, x: number) {
  const { height } = stage
  stage.layer(0.2, (ctx) => {
    stage.paper(ctx, (c) => c.rect(x - 250, height * 0.14, 500, 400), stage.lit('#a9865e', 0.6))
    const steel = stage.lit('#8d959c', 0.6)
    const wood = stage.lit('#6e4930', 0.6)
    for (let i = 0; i < 4; i++) {
      const hx = x - 180 + i * 120
      stage.paper(ctx, (c) => c.roundRect(hx - 9, height * 0.24, 18, 190, 8), wood)
      stage.paper(
        ctx,
        (c) => {
          if (i % 2) c.rect(hx - 42, height * 0.22, 84, 40)
          else {
            c.moveTo(hx - 14, height * 0.2)
            c.lineTo(hx + 14, height * 0.2)
            c.lineTo(hx + 22, height * 0.33)
            c.lineTo(hx - 22, height * 0.33)
            c.closePath()
          }
        },
        steel,
      )
    }
  })
}

function curtain(stage: Stage, x: number) {
  const { height, width } = stage
  const left = x < width / 2
  stage.layer(0.6, (ctx) => {
    for (let i = 0; i < 6; i++) {
      const cx = left ? -120 + i * 76 : width + 120 - i * 76
      stage.paper(
        ctx,
        (c) => {
          c.moveTo(cx - 60, -BLEED)
          c.bezierCurveTo(cx - 30, height * 0.4, cx - 70, height * 0.6, cx - 50, height)
          c.lineTo(cx + 50, height)
          c.bezierCurveTo(cx + 70, height * 0.6, cx + 30, height * 0.4, cx + 60, -BLEED)
          c.closePath()
        },
        stage.lit(i % 2 ? '#8f2f34' : '#a83c3c', 0.6),
        0.08,
      )
    }
  })
}

function spot(stage: Stage, x: number) {
  stage.live(0.3, (ctx, t) => {
    ctx.globalCompositeOperation = 'lighter'
    const sway = Math.sin(t * 0.5) * 30
    const fill = ctx.createLinearGradient(x, -40, x, stage.height)
    fill.addColorStop(0, 'rgba(255,236,190,0.3)')
    fill.addColorStop(1, 'rgba(255,236,190,0.02)')
    ctx.fillStyle = fill
    ctx.beginPath()
    ctx.moveTo(x - 40, -60)
    ctx.lineTo(x + 40, -60)
    ctx.lineTo(x + 380 + sway, stage.height)
    ctx.lineTo(x - 380 + sway, stage.height)
    ctx.fill()
    ctx.globalCompositeOperation = 'source-over'
  })
}

function cabinets(stage: Stage, x: number) {
  const { height } = stage
  stage.layer(0.2, (ctx) => {
    for (let i = 0; i < 3; i++) {
      const cx = x - 230 + i * 154
      stage.paper(ctx, (c) => c.rect(cx, height * 0.1, 146, 250), stage.lit('#cdd8cf', 0.6))
      stage.paper(
        ctx,
        (c) => c.rect(cx + 14, height * 0.1 + 14, 118, 222),
        stage.lit('#bccbc0', 0.6),
        0.12,
      )
      stage.paper(
        ctx,
        (c) => c.arc(cx + 118, height * 0.1 + 130, 7, 0, 7),
        stage.lit('#8a7a58', 0.6),
      )
    }
    for (let i = 0; i < 9; i++)
      for (let k = 0; k < 3; k++)
        stage.paper(
          ctx,
          (c) => c.rect(x - 230 + i * 52, height * 0.46 + k * 52, 48, 48),
          stage.lit((i + k) % 2 ? '#e9e2d2' : '#d9e0d8', 0.6),
          0.1,
        )
  })
}

function screens(stage: Stage, x: number) {
  const { height, random } = stage
  stage.layer(0.24, (ctx) => {
    for (const dx of [-150, 150]) {
      stage.paper(
        ctx,
        (c) => c.roundRect(x + dx - 135, height * 0.2, 270, 180, 12),
        stage.lit('#2b3038', 0.6),
      )
      ctx.fillStyle = '#173a4a'
      ctx.fillRect(x + dx - 120, height * 0.2 + 15, 240, 150)
      ctx.strokeStyle = '#7fd6c4'
      ctx.lineWidth = 4
      ctx.beginPath()
      for (let k = 0; k < 9; k++)
        ctx.lineTo(x + dx - 108 + k * 27, height * 0.2 + 120 - random.between(0, 80))
      ctx.stroke()
      glow(ctx, x + dx, height * 0.28, 240, '#4fb6c0', 0.16)
    }
  })
}

/** An old table seen from above: parchment, a compass rose, faint coasts. */
export const oldMap: Setting = async (stage, put) => {
  const { width, height, random } = stage
  stage.layer(0, (ctx) =>
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      '#5a3f2c',
      0.9,
      0,
      height,
    ),
  )
  stage.layer(0.35, (ctx) => {
    const edge = (c: Ctx) => {
      const m = 110
      for (let i = 0; i <= 40; i++)
        c.lineTo(m + ((width - 2 * m) * i) / 40, m * 0.6 + random.between(-7, 7))
      for (let i = 0; i <= 24; i++)
        c.lineTo(width - m + random.between(-7, 7), m * 0.6 + ((height - 1.2 * m) * i) / 24)
      for (let i = 40; i >= 0; i--)
        c.lineTo(m + ((width - 2 * m) * i) / 40, height - m * 0.6 + random.between(-7, 7))
      for (let i = 24; i >= 0; i--)
        c.lineTo(m + random.between(-7, 7), m * 0.6 + ((height - 1.2 * m) * i) / 24)
      c.closePath()
    }
    stage.sheet(ctx, edge, '#e3cd9c', 0.85, 0, height * 1.2)
    ctx.strokeStyle = alpha('#6b4c2c', 0.55)
    ctx.lineWidth = 5
    for (const [cx, cy, r] of [
      [0.3, 0.4, 230],
      [0.72, 0.56, 280],
      [0.5, 0.82, 150],
    ] as const) {
      ctx.beginPath()
      for (let a = 0; a <= 6.3; a += 0.22)
        ctx.lineTo(
          width * cx + Math.cos(a) * r * random.between(0.72, 1.12),
          height * cy + Math.sin(a) * r * 0.62 * random.between(0.76, 1.1),
        )
      ctx.closePath()
      ctx.fillStyle = alpha('#b99a5c', 0.4)
      ctx.fill()
      ctx.stroke()
    }
    ctx.setLineDash([26, 20])
    ctx.strokeStyle = alpha('#8f2f2a', 0.7)
    ctx.beginPath()
    ctx.moveTo(width * 0.24, height * 0.7)
    ctx.bezierCurveTo(
      width * 0.4,
      height * 0.5,
      width * 0.5,
      height * 0.7,
      width * 0.7,
      height * 0.4,
    )
    ctx.stroke()
    ctx.setLineDash([])
    ctx.fillStyle = alpha('#6b4c2c', 0.7)
    for (let i = 0; i < 8; i++) {
      ctx.save()
      ctx.translate(width * 0.84, height * 0.24)
      ctx.rotate((i * Math.PI) / 4)
      ctx.beginPath()
      ctx.moveTo(0, i % 2 ? -44 : -80)
      ctx.lineTo(10, 0)
      ctx.lineTo(-10, 0)
      ctx.fill()
      ctx.restore()
    }
  })
  await put({ x: width * 0.5, foot: height * 0.74, size: height * 0.46, depth: 0.7 })
  stage.layer(0.95, (ctx) => glow(ctx, width * 0.18, height * 0.1, width * 0.55, '#ffb457', 0.32))
}

/** A plain sweep of coloured paper under one soft light: for a thing looked at closely. */
export const plain: Setting = async (stage, put) => {
  const { width, height, random } = stage
  const back = random.pick(['#c7b39a', '#8fa6a8', '#a8b08c', '#b98f7c', '#9a93b0'])
  stage.layer(0, (ctx) => {
    stage.sheet(
      ctx,
      (c) => c.rect(-BLEED, -BLEED, width + 2 * BLEED, height + 2 * BLEED),
      back,
      0.85,
      0,
      height,
    )
    glow(ctx, width * 0.32, height * 0.22, width * 0.55, '#fff2d2', 0.35)
  })
  for (let i = 0; i < 3; i++) {
    const r = height * (0.62 - i * 0.13)
    stage.layer(0.15 + i * 0.12, (ctx) =>
      stage.paper(
        ctx,
        (c) => c.arc(width * 0.5, height * 0.52, r, 0, 7),
        stage.lit(lighter(back, 0.14 + i * 0.14), 0.8),
        0.3,
      ),
    )
  }
  stage.layer(
    0.5,
    (ctx) =>
      stage.sheet(
        ctx,
        (c) => c.ellipse(width / 2, height * 1.02, width * 0.75, height * 0.24, 0, 0, 7),
        darker(back, 0.2),
        0.85,
        height * 0.78,
        height * 1.1,
      ),
    { top: height * 0.7 },
  )
  await put({ x: width * 0.5, foot: height * 0.86, size: height * 0.6, depth: 0.8 })
  weather(stage, 'dust')
}

export const living = room({ wall: '#d8c8a8', table: '#8a5f42', furniture: [windowPane, frame] })
export const kitchen = room({
  wall: '#e6dcc6',
  table: '#a87850',
  furniture: [cabinets, windowPane],
})
export const pantry = room({
  wall: '#d9cbb0',
  table: '#8f6a48',
  furniture: [shelves('jars'), windowPane],
})
export const study = room({
  wall: '#b8a688',
  table: '#6f4c36',
  furniture: [shelves('books'), windowPane],
})
export const library = room({
  wall: '#8d6f54',
  table: '#5f4030',
  furniture: [shelves('books'), shelves('books'), shelves('books')],
})
export const laboratory = room({
  wall: '#c6d4d4',
  table: '#d8d8d0',
  furniture: [shelves('glass'), windowPane],
})
export const workshop = room({
  wall: '#b59f80',
  table: '#7d5a3c',
  furniture: [toolWall, windowPane],
})
export const classroom = room({ wall: '#dccfae', table: '#a9804f', furniture: [board] })
export const office = room({ wall: '#c9cdd0', table: '#8d7a68', furniture: [screens, windowPane] })
export const clinic = room({
  wall: '#d3e2de',
  table: '#e8ece8',
  furniture: [shelves('glass'), frame],
})
export const storeroom = room({
  wall: '#c2b294',
  table: '#8a7050',
  furniture: [shelves('boxes'), shelves('boxes')],
})
export const theatre: Setting = room({
  wall: '#3a2a38',
  table: '#8a5a3a',
  furniture: [curtain, spot, curtain],
})
