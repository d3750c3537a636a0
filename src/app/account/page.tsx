import type { Metadata } from 'next'
import { whoIsHere } from '@/app/who-is-here'
import { accountView } from '@/server/use-cases/account'
import { TypedEarly } from '@/ui/parts/typed-early'
import { Account } from '@/ui/people/account'

export const metadata: Metadata = { title: 'Account' }
export const dynamic = 'force-dynamic'

export default async function AccountPage() {
  const { person, session } = await whoIsHere()
  return (
    <TypedEarly>
      <Account {...accountView(person, session)} />
    </TypedEarly>
  )
}
