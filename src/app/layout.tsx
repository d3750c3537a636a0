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
