import type { SchemeSpec } from './make-scheme'

/** Schemes that fit any template, by key. Two are neutral, four take their ground from the client's own hue. */
export const GENERAL_SCHEMES = {
  chalk: {
    name: 'Chalk and charcoal',
    colour: '#2f4f6f',
    paper: { l: 0.985, c: 0.002, h: 250 },
    tint: { l: 0.95, c: 0.004, h: 250 },
    ink: { l: 0.24, c: 0.008, h: 250 },
  },
  linen: {
    name: 'Linen and walnut',
    colour: '#7a4a2b',
    paper: { l: 0.968, c: 0.014, h: 78 },
    tint: { l: 0.925, c: 0.024, h: 74 },
    ink: { l: 0.26, c: 0.03, h: 50 },
  },
  haze: {
    name: 'Haze of the brand',
    colour: '#3c5a8a',
    paper: { l: 0.978, c: 0.012, h: 'brand' },
    tint: { l: 0.93, c: 0.032, h: 'brand' },
    ink: { l: 0.27, c: 0.06, h: 'brand' },
  },
  wash: {
    name: 'Full wash',
    colour: '#2f6f62',
    paper: { l: 0.945, c: 0.035, h: 'brand' },
    tint: { l: 0.895, c: 0.055, h: 'brand' },
    ink: { l: 0.3, c: 0.09, h: 'brand' },
  },
  fog: {
    name: 'Fog and slate',
    colour: '#46606e',
    paper: { l: 0.958, c: 0.006, h: 220 },
    tint: { l: 0.915, c: 0.012, h: 220 },
    ink: { l: 0.3, c: 0.03, h: 235 },
  },
  press: {
    name: 'White and black',
    colour: '#b3261e',
    paper: { l: 1, c: 0, h: 0 },
    tint: { l: 0.955, c: 0.008, h: 'brand' },
    ink: { l: 0.18, c: 0.004, h: 'brand' },
  },
} as const satisfies Readonly<Record<string, SchemeSpec & { readonly name: string }>>
