'use client'
import { Button } from '../parts/button'

export function PrintButton() {
  return (
    <Button look="main" onClick={() => window.print()}>
      Print or save as PDF
    </Button>
  )
}
