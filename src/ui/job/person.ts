import { createContext, useContext } from 'react'
import type { May, Person } from '@/core/people'

/** Who works on a job, and what he may do there. */
export type Here = { readonly person: Person; readonly may: May }

const HereContext = createContext<Here | null>(null)
export const HereProvider = HereContext.Provider

export function useHere(): Here {
  const here = useContext(HereContext)
  if (!here) throw new Error('Nobody is here')
  return here
}
