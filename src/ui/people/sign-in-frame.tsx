import type { ReactNode } from 'react'

/** A page for those who are not signed in yet: one thing to do, on a piece of cloth with the tape laid along it. */
export function SignInFrame({ title, words, children }: { title: string; words: ReactNode; children: ReactNode }) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-md flex-col justify-center px-6 py-12">
      <div className="border border-ink bg-cloth">
        <p className="tape-ticks border-b border-ink px-6 pb-2.5 pt-1 font-mono text-sm">Instant Fit</p>
        <div className="p-6">
          <h1 className="mb-1 text-2xl font-bold tracking-tight">{title}</h1>
          <p className="mb-5 text-soft">{words}</p>
          {children}
        </div>
      </div>
    </main>
  )
}
