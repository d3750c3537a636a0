import type { Metadata } from 'next'
import type { ReactNode } from 'react'
import { Toaster } from 'sonner'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Instant Fit', template: '%s · Instant Fit' },
  description: 'Fit a ready-made site template to a client, and publish it.',
}

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        {children}
        <Toaster
          position="bottom-left"
          closeButton
          toastOptions={{
            style: {
              borderRadius: 2,
              border: '1px solid var(--color-ink)',
              background: 'var(--color-cloth)',
              color: 'var(--color-ink)',
              fontFamily: 'var(--font-sans)',
              fontSize: '0.9rem',
            },
          }}
        />
      </body>
    </html>
  )
}
