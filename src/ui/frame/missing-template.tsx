import Link from 'next/link'

/** A job that cannot be worked on now: what is missing, and the way back. Everything else works. */
export function MissingTemplate({ name, trouble }: { name: string; trouble: string | null }) {
  return (
    <main className="mx-auto max-w-xl p-16" role="alert">
      <h1 className="mb-2 text-2xl font-bold tracking-tight" dir="auto">
        {name} cannot be opened now
      </h1>
      <p className="mb-4">{trouble ?? 'What is kept of this job cannot be read. Nothing of it was changed.'}</p>
      <p className="mb-4 text-soft">Import the pack on the Template stage of any other job. Nothing of this job is lost meanwhile.</p>
      <Link href="/" className="font-semibold underline underline-offset-4">
        All jobs
      </Link>
    </main>
  )
}
