import { createRequire } from 'node:module'
import { createCanvas, type Image, loadImage } from '@napi-rs/canvas'
import { alpha } from './colour.ts'
import { contact } from './shapes.ts'
import type { Motion, Stage } from './stage.ts'

const require = createRequire(import.meta.url)
const drawings = require('@iconify-json/fluent-emoji-flat/icons.json') as {
  icons: Record<string, { body: string }>
  width: number
}

export type Act = 'still' | 'bob' | 'turn' | 'rise' | 'drift' | 'sway' | 'pass' | 'swim' | 'shake'

/** Where a setting lets its subject stand: the foot of the thing, its size, how near it is. */
export interface Seat {
  x: number
  foot: number
  size: number
  depth: number
  /** In the air, in space or in water: no ground under it. */
  floating?: boolean
}

export const hasDrawing = (name: string) => name in drawings.icons

/** A drawing from the Fluent emoji set (MIT) at a size in pixels. */
async function drawing(name: string, pixels: number): Promise<Image> {
  const body = drawings.icons[name]?.body
  if (!body) throw new Error(`no drawing "${name}"`)
  const side = drawings.width
  return loadImage(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${pixels}" height="${pixels}" viewBox="0 0 ${side} ${side}">${body}</svg>`,
    ),
  )
}

/** Sets a subject on the stage: recoloured by the light, cut from paper, standing on its shade. */
export async function seat(
  stage: Stage,
  name: string,
  at: Seat,
  act: Act,
  flip = false,
): Promise<void> {
  const { size, depth } = at
  const image = await drawing(name, Math.ceil(size * stage.scale))
  const cut = createCanvas(image.width, image.height)
  const ctx = cut.getContext('2d')
  if (flip) {
    ctx.translate(image.width, 0)
    ctx.scale(-1, 1)
  }
  ctx.drawImage(image, 0, 0)
  ctx.setTransform(1, 0, 0, 1, 0, 0)
  ctx.globalCompositeOperation = 'source-atop'
  ctx.fillStyle = alpha(stage.light.tint, stage.light.tinting * 0.85)
  ctx.fillRect(0, 0, cut.width, cut.height)
  ctx.fillStyle = alpha(stage.light.haze, 0.34 * (1 - depth) + 0.06)
  ctx.fillRect(0, 0, cut.width, cut.height)
  const shading = ctx.createLinearGradient(0, 0, cut.width * 0.3, cut.height)
  shading.addColorStop(0, 'rgba(255,246,222,0.2)')
  shading.addColorStop(0.5, 'rgba(255,246,222,0)')
  shading.addColorStop(1, 'rgba(10,6,24,0.3)')
  ctx.fillStyle = shading
  ctx.fillRect(0, 0, cut.width, cut.height)
  if (!at.floating && act !== 'bob')
    stage.layer(depth, (c) => contact(c, at.x, at.foot - size * 0.035, size * 0.52), {
      left: at.x - size,
      right: at.x + size,
      top: at.foot - size * 0.3,
      bottom: at.foot + size * 0.3,
      motion: (t) => ({ dx: actMotion(stage, act, size)(t).dx ?? 0 }),
    })
  stage.layer(
    depth,
    (c) => {
      c.shadowColor = 'rgba(10,8,22,0.42)'
      c.shadowBlur = 20 * stage.scale
      c.shadowOffsetY = 7 * stage.scale
      c.drawImage(cut, at.x - size / 2, at.foot - size, size, size)
    },
    {
      left: at.x - size * 0.7,
      right: at.x + size * 0.7,
      top: at.foot - size * 1.2,
      bottom: at.foot + size * 0.2,
      pivot: act === 'sway' ? [at.x, at.foot] : [at.x, at.foot - size / 2],
      motion: actMotion(stage, act, size),
    },
  )
}

function actMotion(stage: Stage, act: Act, size: number): (t: number) => Motion {
  const phase = (stage.seed.length % 7) * 0.9
  const beat = (t: number, period: number) => Math.sin((t / period) * 2 * Math.PI + phase)
  switch (act) {
    case 'still':
      return () => ({})
    case 'bob':
      return (t) => ({ dy: beat(t, 4.2) * size * 0.022, turn: beat(t, 5.3) * 0.028, dx: t * 5 })
    case 'turn':
      return (t) => ({ turn: t * 0.5 })
    case 'rise':
      return (t) => ({ dy: -t * size * 0.045, dx: beat(t, 6) * 5 })
    case 'drift':
      return (t) => ({
        dx: (t - 4) * 16,
        dy: beat(t, 3.4) * size * 0.03,
        turn: beat(t, 4.8) * 0.03,
      })
    case 'sway':
      return (t) => ({ turn: beat(t, 4.4) * 0.022 })
    case 'pass':
      return (t) => ({ dx: (t - 4) * -26, dy: Math.abs(beat(t, 0.8)) * 1.5 })
    case 'swim':
      return (t) => ({ dx: (t - 4) * -20, dy: beat(t, 3) * size * 0.05, turn: beat(t, 3) * 0.04 })
    case 'shake':
      return (t) => ({ grow: 1 + 0.02 * Math.sin(t * 7 + phase) + 0.012 * Math.sin(t * 11.3) })
  }
}
