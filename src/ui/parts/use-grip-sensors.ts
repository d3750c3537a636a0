import { PointerSensor, useSensor, useSensors } from '@dnd-kit/core'

/** Made once: with settings of its own at each drawing, all that can be carried would be drawn again. */
const BY_HAND = { activationConstraint: { distance: 5 } }

/** What takes a grip: the pointer, from a few pixels on, so that a press stays a press. */
export function useGripSensors(): ReturnType<typeof useSensors> {
  return useSensors(useSensor(PointerSensor, BY_HAND))
}
