import { redirect } from 'next/navigation'

export default async function JobPage({ params }: { params: Promise<{ job: string }> }) {
  redirect(`/jobs/${(await params).job}/content`)
}
