import { type Canvas, createCanvas, type SKRSContext2D } from '@napi-rs/canvas'
import { alpha, darker, lighter } from './colour.ts'
import { type Light, LIGHTS, lit, type Time } from './light.ts'
import { Random } from './random.ts'

export type Ctx = SKRSContext2D

/**
 * What a layer does by itself at a moment, in stage units and radians, about its own centre point.
 */
export interface Motion {
  dx?: number
  dy?: number
  turn?: number
  grow?: number
  opacity?: number
}

interface Layer {
  depth: number
  canvas?: Canvas
  x: number
  y: number
  width: number
  height: number
  pivot: readonly [number, number]
  motion?: (seconds: number) => Motion
  /** Drawn afresh each frame instead of kept: rain, snow, beams of light. */
  live?: (ctx: Ctx, seconds: number) => void
}

/** Room beyond the picture's edges, so that nothing ends when the camera moves. */
export const BLEED = 150

/**
 * What lies farther than this stands still before any camera, as the sky does: drawing it in place
 * costs a fifth.
 */
const ENDLESS = 0.03

/** Stage units a sheet may wander from where it was drawn: the camera's and its own. */
const MOVING_ROOM = 70

export interface LayerOptions {
  top?: number
  bottom?: number
  left?: number
  right?: number
  pivot?: readonly [number, number]
  motion?: (seconds: number) => Motion
}

/**
 * A little theatre of paper: layers at depths between 0 (far) and 1 (near), a light, and a camera
 * that drifts before them. Positions are in stage units: 1920 by 1080, or 1080 by 1920 for an
 * upright picture.
 */
export class Stage {
  readonly light: Light
  readonly random: Random
  readonly layers: Layer[] = []
  readonly scale: number
  private readonly grain: Canvas
  private shade: Canvas | undefined
  private readonly camera: { pan: number; rise: number; zoom: number }

  constructor(
    readonly seed: string,
    time: Time,
    readonly width: number,
    readonly height: number,
    pixelsWide: number,
  ) {
    this.light = LIGHTS[time]
    this.random = new Random(seed)
    this.scale = pixelsWide / width
    this.grain = grainOf(new Random(`${seed} grain`))
    const way = this.random.next() < 0.5 ? -1 : 1
    this.camera = {
      pan: way * this.random.between(60, 100),
      rise: this.random.between(-14, 14),
      zoom: this.random.between(0.025, 0.055),
    }
  }

  /** A colour in this stage's light at a depth. */
  lit(colour: string, depth: number): string {
    return lit(this.light, colour, depth)
  }

  /** Adds a layer that is drawn once and then moved; `draw` paints in stage units. */
  layer(depth: number, draw: (ctx: Ctx) => void, options: LayerOptions = {}): void {
    const {
      top = -BLEED,
      bottom = this.height + BLEED,
      left = -BLEED,
      right = this.width + BLEED,
    } = options
    const canvas = createCanvas(
      Math.ceil((right - left) * this.scale),
      Math.ceil((bottom - top) * this.scale),
    )
    const ctx = canvas.getContext('2d')
    ctx.scale(this.scale, this.scale)
    ctx.translate(-left, -top)
    draw(ctx)
    this.layers.push({
      depth,
      canvas,
      x: left,
      y: top,
      width: canvas.width / this.scale,
      height: canvas.height / this.scale,
      pivot: options.pivot ?? [(left + right) / 2, (top + bottom) / 2],
      ...(options.motion ? { motion: options.motion } : {}),
    })
  }

  /**
   * Cuts away what no frame can show: clear margins, and what nearer sheets hide for the whole
   * clip. Bilinear drawing costs by the pixel, so this more than halves the time of a frame; it
   * costs several frames itself and pays for a clip only.
   */
  settle(): void {
    let coveredFrom = this.height + BLEED
    for (const layer of [...this.layers].reverse()) {
      if (!layer.canvas) continue
      const seen = visibleRows(layer.canvas)
      const last = Math.min(
        seen.last + 1,
        Math.ceil((coveredFrom + MOVING_ROOM - layer.y) * this.scale),
      )
      const spans =
        layer.x <= -BLEED &&
        layer.x + layer.width >= this.width + BLEED &&
        layer.y + layer.height >= this.height + BLEED
      if (spans && seen.opaqueFrom < layer.canvas.height)
        coveredFrom = Math.min(coveredFrom, layer.y + seen.opaqueFrom / this.scale + MOVING_ROOM)
      this.crop(layer, seen.first, Math.max(seen.first + 1, Math.min(last, layer.canvas.height)))
    }
    this.flattenBackdrop()
  }

  /** Makes one picture of everything that stands still at the back. */
  private flattenBackdrop() {
    const moving = this.layers.findIndex(
      ({ depth, motion, canvas }) => depth >= ENDLESS || motion || !canvas,
    )
    if (moving < 2) return
    const canvas = createCanvas(
      Math.round(this.width * this.scale),
      Math.round(this.height * this.scale),
    )
    const ctx = canvas.getContext('2d')
    ctx.scale(this.scale, this.scale)
    for (const layer of this.layers.splice(0, moving))
      ctx.drawImage(layer.canvas!, layer.x, layer.y, layer.width, layer.height)
    this.layers.unshift({
      depth: 0,
      canvas,
      x: 0,
      y: 0,
      width: this.width,
      height: this.height,
      pivot: [this.width / 2, this.height / 2],
    })
  }

  private crop(layer: Layer, from: number, to: number) {
    const whole = layer.canvas!
    if (from === 0 && to === whole.height) return
    const part = createCanvas(whole.width, to - from)
    part.getContext('2d').drawImage(whole, 0, -from)
    layer.canvas = part
    layer.y += from / this.scale
    layer.height = (to - from) / this.scale
  }

  /** Adds what must be drawn afresh for each frame. */
  live(depth: number, draw: (ctx: Ctx, seconds: number) => void): void {
    this.layers.push({ depth, x: 0, y: 0, width: 0, height: 0, pivot: [0, 0], live: draw })
  }

  /** Fills a shape as a cut sheet of paper: shade on what lies behind, a lit edge, grain. */
  paper(ctx: Ctx, path: (ctx: Ctx) => void, fill: string | CanvasGradient, edge = 0.22): void {
    ctx.save()
    ctx.beginPath()
    path(ctx)
    ctx.shadowColor = `rgba(12,10,24,${this.light.time === 'night' ? 0.55 : 0.36})`
    ctx.shadowBlur = 26 * this.scale
    ctx.shadowOffsetY = 5 * this.scale
    ctx.fillStyle = fill
    ctx.fill()
    ctx.shadowColor = 'transparent'
    ctx.clip()
    ctx.globalAlpha = 0.11
    ctx.fillStyle = ctx.createPattern(this.grain, 'repeat') as unknown as string
    ctx.fill()
    ctx.globalAlpha = 1
    ctx.beginPath()
    path(ctx)
    ctx.strokeStyle = `rgba(255,250,235,${edge})`
    ctx.lineWidth = 4
    ctx.stroke()
    ctx.restore()
  }

  /** A sheet whose colour runs from a lighter upper edge to a deeper foot. */
  sheet(
    ctx: Ctx,
    path: (ctx: Ctx) => void,
    colour: string,
    depth: number,
    top: number,
    bottom: number,
  ): void {
    const tone = this.lit(colour, depth)
    const fill = ctx.createLinearGradient(0, top, 0, bottom)
    fill.addColorStop(0, lighter(tone, 0.1))
    fill.addColorStop(1, darker(tone, 0.24))
    this.paper(ctx, path, fill)
  }

  /**
   * Paints the picture at a moment of its length.
   *
   * @param target canvas of the picture's own size
   * @param seconds 0 to `length`
   */
  draw(target: Canvas, seconds: number, length: number): void {
    const ctx = target.getContext('2d')
    const progress = length > 0 ? seconds / length : 0.5
    for (const layer of this.layers) {
      ctx.setTransform(this.scale, 0, 0, this.scale, 0, 0)
      if (layer.depth >= ENDLESS || layer.motion) this.place(ctx, layer.depth, progress)
      ctx.save()
      if (layer.live) layer.live(ctx, seconds)
      else if (layer.canvas) this.drawKept(ctx, layer, seconds)
      ctx.restore()
    }
    ctx.setTransform(1, 0, 0, 1, 0, 0)
    ctx.drawImage(this.shadeOf(target), 0, 0)
  }

  private place(ctx: Ctx, depth: number, progress: number) {
    const { pan, rise, zoom } = this.camera
    const near = 0.15 + 0.85 * depth
    const grow = 1 + zoom * progress * near
    ctx.translate(
      this.width / 2 + pan * (progress - 0.5) * near,
      this.height / 2 + rise * (progress - 0.5) * near,
    )
    ctx.scale(grow, grow)
    ctx.translate(-this.width / 2, -this.height / 2)
  }

  private drawKept(ctx: Ctx, layer: Layer, seconds: number) {
    const { dx = 0, dy = 0, turn = 0, grow = 1, opacity = 1 } = layer.motion?.(seconds) ?? {}
    const [px, py] = layer.pivot
    ctx.translate(px + dx, py + dy)
    if (turn) ctx.rotate(turn)
    if (grow !== 1) ctx.scale(grow, grow)
    ctx.globalAlpha = opacity
    ctx.drawImage(layer.canvas!, layer.x - px, layer.y - py, layer.width, layer.height)
  }

  /** Darker corners and a warmer middle: the eye stays on the subject. */
  private shadeOf(target: Canvas): Canvas {
    if (this.shade) return this.shade
    const shade = createCanvas(target.width, target.height)
    const ctx = shade.getContext('2d')
    const { width, height } = target
    const fill = ctx.createRadialGradient(
      width / 2,
      height * 0.48,
      Math.min(width, height) * 0.42,
      width / 2,
      height / 2,
      Math.hypot(width, height) * 0.56,
    )
    fill.addColorStop(0, 'rgba(10,8,20,0)')
    fill.addColorStop(1, alpha('#0a0814', this.light.time === 'night' ? 0.5 : 0.32))
    ctx.fillStyle = fill
    ctx.fillRect(0, 0, width, height)
    return (this.shade = shade)
  }
}

type CanvasGradient = ReturnType<Ctx['createLinearGradient']>

/**
 * First and last row with anything in it, and the row from which all below is solid from edge to
 * edge.
 */
function visibleRows(canvas: Canvas): { first: number; last: number; opaqueFrom: number } {
  const { width, height } = canvas
  const pixels = canvas.data()
  let first = 0
  let last = height - 1
  const row = (y: number, test: (alpha: number) => boolean) => {
    for (let at = y * width * 4 + 3, end = at + width * 4; at < end; at += 8)
      if (test(pixels[at]!)) return true
    return false
  }
  while (first < last && !row(first, (a) => a > 0)) first++
  while (last > first && !row(last, (a) => a > 0)) last--
  let opaqueFrom = height
  while (opaqueFrom > 0 && !row(opaqueFrom - 1, (a) => a < 250)) opaqueFrom--
  return { first, last, opaqueFrom }
}

/** Fine fibres and specks, tiled over every sheet. */
function grainOf(random: Random): Canvas {
  const size = 256
  const canvas = createCanvas(size, size)
  const ctx = canvas.getContext('2d')
  const pixels = ctx.createImageData(size, size)
  for (let i = 0; i < pixels.data.length; i += 4) {
    const tone = random.next() < 0.5 ? 0 : 255
    pixels.data.set([tone, tone, tone, random.between(40, 170)], i)
  }
  ctx.putImageData(pixels, 0, 0)
  ctx.lineWidth = 0.8
  for (let i = 0; i < 90; i++) {
    const [x, y, turn] = [random.between(0, size), random.between(0, size), random.between(0, 6.3)]
    ctx.strokeStyle = random.next() < 0.5 ? 'rgba(255,255,255,0.5)' : 'rgba(0,0,0,0.4)'
    ctx.beginPath()
    ctx.moveTo(x, y)
    ctx.lineTo(x + Math.cos(turn) * 14, y + Math.sin(turn) * 14)
    ctx.stroke()
  }
  return canvas
}
