import { Component, type ReactNode } from 'react';

/** Keeps a fault of the 3D stage from taking the tables with it. */
export class ErrorBoundary extends Component<{ children: ReactNode }, { error: Error | null }> {
  state = { error: null as Error | null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  render() {
    if (!this.state.error) return this.props.children;
    return (
      <div className="flex min-h-0 flex-1 flex-col items-center justify-center gap-2 p-6 text-center">
        <p className="font-semibold text-blocker">
          The model cannot be drawn: {this.state.error.message}
        </p>
        <p className="text-muted">
          The tables and repairs work without it. The browser needs WebGL 2 for the picture.
        </p>
        <button className="btn" onClick={() => this.setState({ error: null })}>
          Try again
        </button>
      </div>
    );
  }
}
