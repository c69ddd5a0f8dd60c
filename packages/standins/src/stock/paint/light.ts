import { mix } from './colour.ts'

export type Time = 'dawn' | 'day' | 'dusk' | 'night' | 'grey'

/** The light of a time of day: what it does to the sky, to distance and to every colour in it. */
export interface Light {
  time: Time
  sky: readonly [top: string, middle: string, bottom: string]
  haze: string
  /** Cast over everything near, and how strongly. */
  tint: string
  tinting: number
  disc: { colour: string; glow: string; size: number } | undefined
  lampsLit: boolean
}

export const LIGHTS: Record<Time, Light> = {
  dawn: {
    time: 'dawn',
    sky: ['#8fa5c4', '#f0c3a6', '#f8e3c3'],
    haze: '#eecdb4',
    tint: '#d98a6a',
    tinting: 0.12,
    disc: { colour: '#fff1cf', glow: '#ffd9a0', size: 74 },
    lampsLit: false,
  },
  day: {
    time: 'day',
    sky: ['#5f9fc9', '#a5cfdf', '#e3eee4'],
    haze: '#cfe3e2',
    tint: '#fff4d8',
    tinting: 0.05,
    disc: { colour: '#fff6d2', glow: '#fff2c0', size: 70 },
    lampsLit: false,
  },
  dusk: {
    time: 'dusk',
    sky: ['#34365f', '#b4657a', '#f2a566'],
    haze: '#b9788a',
    tint: '#5a2f5c',
    tinting: 0.2,
    disc: { colour: '#ffc978', glow: '#ff9d5c', size: 96 },
    lampsLit: true,
  },
  night: {
    time: 'night',
    sky: ['#0b1228', '#182647', '#2f4269'],
    haze: '#2c3d63',
    tint: '#101a38',
    tinting: 0.52,
    disc: { colour: '#f3ecd2', glow: '#aebfe0', size: 58 },
    lampsLit: true,
  },
  grey: {
    time: 'grey',
    sky: ['#7f8d98', '#aab4b8', '#d3d8d4'],
    haze: '#b7c1c2',
    tint: '#5c6b78',
    tinting: 0.2,
    disc: undefined,
    lampsLit: false,
  },
}

/** A colour as it looks in this light at this distance: 0 = far away in the haze, 1 = near. */
export function lit(light: Light, colour: string, nearness: number): string {
  const far = mix(light.haze, colour, 0.36 + 0.64 * nearness)
  return mix(far, light.tint, light.tinting * (0.5 + 0.5 * nearness))
}
