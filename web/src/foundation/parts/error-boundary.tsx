import { Component, type ErrorInfo, type ReactNode } from 'react'
import { Button } from './button.tsx'

/** A fault on one page leaves the rail and the other rooms working. */
export class ErrorBoundary extends Component<{ children: ReactNode }, { hasFailed: boolean }> {
  override state = { hasFailed: false }

  static getDerivedStateFromError() {
    return { hasFailed: true }
  }

  override componentDidCatch(error: Error, info: ErrorInfo) {
    console.error(error, info.componentStack)
  }

  override render() {
    if (!this.state.hasFailed) return this.props.children
    return (
      <div className="p-6">
        <h1>This page has a fault</h1>
        <p className="mt-2 max-w-[60ch] text-quiet">
          What you saved is safe. Load the page again; if it fails again, go on in another room and tell whoever looks
          after Exemplar what you did last.
        </p>
        <Button look="act" className="mt-4" onClick={() => location.reload()}>
          Load again
        </Button>
      </div>
    )
  }
}
