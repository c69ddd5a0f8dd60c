/** Shapes a film is made in, each at its usual size in pixels. */
export const FILM_SHAPES = {
  wide: { width: 1920, height: 1080, ratio: '16:9' },
  upright: { width: 1080, height: 1920, ratio: '9:16' },
  square: { width: 1080, height: 1080, ratio: '1:1' },
  tall: { width: 1080, height: 1350, ratio: '4:5' },
  broad: { width: 2520, height: 1080, ratio: '21:9' },
} as const
export type ShapeName = keyof typeof FILM_SHAPES
export const SHAPE_NAMES = ['wide', 'upright', 'square', 'tall', 'broad'] as const
