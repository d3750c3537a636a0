import Link from 'next/link'

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl p-16">
      <h1 className="mb-2 text-2xl font-bold tracking-tight">There is nothing here</h1>
      <p className="mb-4 text-soft">This job may have been made in another copy of the application.</p>
      <Link href="/" className="inline-flex min-h-6 items-center font-semibold underline underline-offset-4">
        All jobs
      </Link>
    </main>
  )
}
