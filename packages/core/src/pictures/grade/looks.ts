import type { Grade, GradeLook, Rgb } from './grade.ts'

/** What a look does: a grade of its own, and colours that darks and lights lean to. */
export interface Look extends Pick<
  Grade,
  | 'exposure'
  | 'contrast'
  | 'saturation'
  | 'warmth'
  | 'tint'
  | 'shadows'
  | 'lights'
  | 'fade'
  | 'grey'
  | 'twoTone'
  | 'vignette'
  | 'grain'
> {
  /** Added to darks and to lights, in hundredths of full colour. */
  leans?: { darks: Rgb; lights: Rgb }
}

/** Looks of our own, each by eye over the demo's films. */
export const LOOKS: Record<GradeLook, Look> = {
  paper: { contrast: -12, saturation: -18, warmth: 14, fade: 35, lights: -8 },
  lamplight: {
    contrast: 14,
    warmth: 38,
    shadows: -10,
    vignette: 30,
    leans: { darks: [2, 0, -3], lights: [4, 1, -5] },
  },
  harbour: {
    contrast: 16,
    saturation: -12,
    warmth: -14,
    leans: { darks: [-4, 1, 5], lights: [3, 1, -3] },
  },
  dusk: {
    exposure: -0.25,
    contrast: 10,
    saturation: -6,
    leans: { darks: [-3, -2, 8], lights: [6, -1, 1] },
  },
  slate: { contrast: 22, saturation: -52, warmth: -8, shadows: 6 },
  reel: {
    contrast: 8,
    saturation: -16,
    warmth: 20,
    fade: 45,
    vignette: 34,
    grain: 40,
    leans: { darks: [3, 0, -2], lights: [2, 1, -4] },
  },
  chalk: { exposure: 0.3, contrast: -20, saturation: -28, shadows: 26, lights: 10 },
  ink: { contrast: 30, grey: true, shadows: -8, lights: 6 },
  summer: { exposure: 0.12, contrast: 10, saturation: 26, warmth: 12, shadows: 8 },
  frost: {
    exposure: 0.12,
    contrast: 6,
    saturation: -22,
    warmth: -30,
    leans: { darks: [-2, 0, 4], lights: [-1, 0, 3] },
  },
}
