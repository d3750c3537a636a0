/** The widths, in px, at which a size is set: a phone and a laptop. Between them it grows evenly. */
export const PHONE_WIDTH = 390
export const DESKTOP_WIDTH = 1280
const ROOT = 16

const rem = (px: number): string => `${round(px / ROOT)}rem`
const round = (value: number): number => Number(value.toFixed(4))

/** A size that is `phone` px up to 390 px and `desktop` px from 1280 px on, in rem so that a visitor's own setting counts. */
export function fluidSize(phone: number, desktop: number): string {
  if (phone === desktop) return rem(phone)
  const slope = (desktop - phone) / (DESKTOP_WIDTH - PHONE_WIDTH)
  return (
    `clamp(${rem(Math.min(phone, desktop))},${rem(phone - slope * PHONE_WIDTH)} + ${round(slope * 100)}vw,` +
    `${rem(Math.max(phone, desktop))})`
  )
}

/**
 * What a heading's size on desktop usually comes to on the phone: half of what it has over 16 px. Common practice, no
 * source: 40 px is about 28.
 */
export function usualPhoneSize(desktop: number): number {
  return Math.round(ROOT + Math.max(0, desktop - ROOT) / 2)
}

/** Steps of a type scale that every template names, from the smallest. */
export const STEPS = [-1, 0, 1, 2, 3, 4, 5] as const
export type Step = (typeof STEPS)[number]

/** Size of a step of a scale in px; small text is never less than 13 px. */
export function stepSize({ base, ratio }: { readonly base: number; readonly ratio: number }, step: Step): number {
  return Math.round(Math.max(13, base * ratio ** step) * 10) / 10
}
