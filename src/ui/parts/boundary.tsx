'use client'
import { Component, type ReactNode } from 'react'
import { Button } from './button'

type Props = { readonly what: string; readonly children: ReactNode }

/** What cannot be shown leaves a marked gap in its place; everything around it goes on working. */
export class Boundary extends Component<Props, { readonly failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true }
  }

  override componentDidCatch(error: unknown): void {
    console.error(`${this.props.what} could not be shown`, error)
  }

  override render(): ReactNode {
    if (!this.state.failed) return this.props.children
    return (
      <div role="alert" className="m-2 flex items-center gap-3 border border-dashed border-thread bg-cloth px-3 py-2">
        <p className="font-medium text-thread">✕ {this.props.what} cannot be shown. What was shown as saved is safe.</p>
        <Button onClick={() => this.setState({ failed: false })}>Show it again</Button>
      </div>
    )
  }
}
