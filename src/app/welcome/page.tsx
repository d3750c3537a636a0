import type { Metadata } from 'next'
import { TypedEarly } from '@/ui/parts/typed-early'
import { FirstStart } from '@/ui/people/first-start'

export const metadata: Metadata = { title: 'First start' }
export const dynamic = 'force-dynamic'

export default function WelcomePage() {
  return (
    <TypedEarly>
      <FirstStart />
    </TypedEarly>
  )
}
