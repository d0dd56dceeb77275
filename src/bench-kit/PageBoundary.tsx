import { usePathname } from 'expo-router';
import { Component, Suspense, type ReactNode } from 'react';

import { Txt } from '@/ui/Txt';
import { BrokenPage } from './LazyBrokenPage';

interface Props {
  /** a new place begins afresh */
  place: string;
  children: ReactNode;
}

/** What a page threw ends at the page: bar, stop card and export stay, and the entry that it broke on is named. */
export class PageBoundary extends Component<Props, { error: Error | null; place: string }> {
  override state = { error: null as Error | null, place: this.props.place };

  static getDerivedStateFromError(error: unknown) {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  static getDerivedStateFromProps(props: Props, state: { error: Error | null; place: string }) {
    return props.place === state.place ? null : { error: null, place: props.place };
  }

  override render() {
    return this.state.error ? (
      <Suspense fallback={<Txt tone="caution">{this.state.error.message}</Txt>}>
        <BrokenPage error={this.state.error} again={() => this.setState({ error: null })} />
      </Suspense>
    ) : (
      this.props.children
    );
  }
}

/** The boundary around whatever the address shows. */
export function RouteBoundary({ children }: { children: ReactNode }) {
  return <PageBoundary place={usePathname()}>{children}</PageBoundary>;
}
