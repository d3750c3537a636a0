/** Called once by Next.js when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { startWhenItCan } = await import('./server/use-cases/start-up')
  await startWhenItCan()
}
