import type { Metadata } from 'next'
import { connection } from 'next/server'
import type { ReactNode } from 'react'
import { Toaster } from 'sonner'
import { onlyToRead } from '@/server/use-cases/trouble'
import { FocusWords } from '@/ui/parts/focus-words'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Instant Fit', template: '%s · Instant Fit' },
  description: 'Fit a ready-made site template to a client, and publish it.',
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  // No page is made before it is asked for: each bears the word of its own reply.
  await connection()
  const reason = onlyToRead()
  return (
    <html lang="en">
      <body>
        {children}
        {reason !== null && (
          <p role="status" className="fixed inset-x-0 bottom-0 z-50 bg-tape px-4 py-2">
            {reason}
          </p>
        )}
        <FocusWords />
        <Toaster
          position="bottom-center"
          offset={0}
          mobileOffset={0}
          gap={0}
          visibleToasts={1}
          closeButton
          toastOptions={{
            unstyled: true,
            classNames: {
              toast: 'notice',
              title: 'notice-words',
              icon: 'notice-icon',
              actionButton: 'notice-action',
              closeButton: 'notice-close',
            },
          }}
        />
      </body>
    </html>
  )
}
