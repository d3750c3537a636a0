import type { Metadata } from 'next'
import { lookAtPass } from '@/server/use-cases/use-pass'
import { TypedEarly } from '@/ui/parts/typed-early'
import { SignInFrame } from '@/ui/people/sign-in-frame'
import { UseLink } from '@/ui/people/use-link'

export const metadata: Metadata = { title: 'A link that lets you in', robots: { index: false } }
export const dynamic = 'force-dynamic'

export default async function LinkPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params
  const pass = lookAtPass(token)
  return pass ? (
    <TypedEarly>
      <UseLink token={token} {...pass} />
    </TypedEarly>
  ) : (
    <SignInFrame
      title="This link lets nobody in"
      words="It was used, has run out or was taken back. Ask whoever gave it to you for a new one."
    >
      <a href="/sign-in" className="font-semibold underline underline-offset-4">
        Sign in
      </a>
    </SignInFrame>
  )
}
