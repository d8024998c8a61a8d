'use client';

import { Component, type ReactNode } from 'react';

interface BoundaryProps {
  /** What is shown in place of what broke; `onRetry` draws it once more. */
  readonly fallback: (error: unknown, onRetry: () => void) => ReactNode;
  /** Another value draws it once more: what broke may have rested on what has changed since. */
  readonly resetKey?: unknown;
  readonly children: ReactNode;
}

interface BoundaryState {
  readonly error: unknown;
  readonly hasFailed: boolean;
  readonly resetKey: unknown;
}

/** Keeps a thrown error from taking down more than what it was thrown in. */
export class Boundary extends Component<BoundaryProps, BoundaryState> {
  override state: BoundaryState = { error: null, hasFailed: false, resetKey: this.props.resetKey };

  static getDerivedStateFromError(error: unknown): Partial<BoundaryState> {
    return { error, hasFailed: true };
  }

  static getDerivedStateFromProps({ resetKey }: BoundaryProps, state: BoundaryState): Partial<BoundaryState> | null {
    return resetKey === state.resetKey ? null : { resetKey, hasFailed: false, error: null };
  }

  override render(): ReactNode {
    const { error, hasFailed } = this.state;
    return hasFailed
      ? this.props.fallback(error, () => this.setState({ hasFailed: false, error: null }))
      : this.props.children;
  }
}
