"use client";
import { Component, type ReactNode } from "react";

/**
 * Keeps a page's fault to itself: what failed says so, and all around it goes on. It is tried again when `on` changes, as when the
 * job has been changed.
 */
export class Guarded extends Component<{ on: unknown; children: ReactNode }, { failed: Error | null; at: unknown }> {
  override state = { failed: null, at: this.props.on };
  static getDerivedStateFromError = (failed: Error) => ({ failed });
  static getDerivedStateFromProps = ({ on }: { on: unknown }, { at }: { at: unknown }) =>
    on === at ? null : { failed: null, at: on };

  override render() {
    const { failed } = this.state as { failed: Error | null };
    if (!failed) return this.props.children;
    return (
      <div role="alert" className="border-l-8 border-madder bg-white px-3 py-2">
        <p className="font-semibold">This station could not be shown. What you asked for is kept.</p>
        <p className="text-soft">{failed.message}. Take the last change back, or go on at another station.</p>
        <button className="act mt-2" onClick={() => this.setState({ failed: null })}>
          Try again
        </button>
      </div>
    );
  }
}
