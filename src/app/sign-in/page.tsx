import type { Metadata } from 'next'
import { TypedEarly } from '@/ui/parts/typed-early'
import { SignIn } from '@/ui/people/sign-in'

export const metadata: Metadata = { title: 'Sign in' }

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ to?: string | string[] }> }) {
  const { to } = await searchParams
  return (
    <TypedEarly>
      <SignIn to={ofOurs(to)} />
    </TypedEarly>
  )
}

/** Only an address within this application is gone on to (OWASP ASVS 4.0.3, 5.1.5). */
function ofOurs(to: string | string[] | undefined): string {
  return typeof to === 'string' && /^\/(?![/\\])[^\\\p{Cc}]*$/u.test(to) ? to : '/'
}
