'use client'
import { Button } from '@/ui/parts/button'

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl p-16" role="alert">
      <h1 className="mb-2 text-2xl font-bold tracking-tight">This screen could not be shown</h1>
      <p className="mb-4 text-soft">What was shown as saved is safe.</p>
      <Button look="main" onClick={reset}>
        Show it again
      </Button>
    </main>
  )
}
