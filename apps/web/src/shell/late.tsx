import { Component, lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react';
import { Button } from '../theme/Button';

/** A piece of the application that did not come; anything else that goes wrong in it is none of this. */
class PieceError extends Error {}

class Boundary extends Component<
  { readonly children: ReactNode; readonly onRetry: () => void },
  { readonly error?: unknown }
> {
  override state: { readonly error?: unknown } = {};

  static getDerivedStateFromError(error: unknown) {
    return { error };
  }

  override render() {
    const { error } = this.state;
    if (error === undefined) return this.props.children;
    if (!(error instanceof PieceError)) throw error;
    return (
      <span role="alert" className="small">
        A piece of Retoque could not be loaded.{' '}
        <Button size="s" onClick={this.props.onRetry}>
          Try again
        </Button>
      </span>
    );
  }
}

/**
 * A component that is loaded when it is first drawn. It waits, and fails, in its own place: what stands around it stays
 * as it is, and so does the focus in it.
 *
 * @param waiting drawn until it has come; told what the component is given
 */
export function late<Props extends object>(
  load: () => Promise<{ default: ComponentType<Props> }>,
  waiting: ReactNode | ((props: Props) => ReactNode) = null,
): ComponentType<Props> {
  // One that failed stays failed, so another try is another one.
  const piece = () =>
    lazy(() =>
      load().catch((cause: unknown) => {
        throw new PieceError('A piece of the application could not be loaded.', { cause });
      }),
    ) as unknown as ComponentType<Props>;
  const first = piece();
  return function Late(props: Props) {
    const [{ Piece, attempt }, setTry] = useState({ Piece: first, attempt: 0 });
    return (
      <Boundary key={attempt} onRetry={() => setTry({ Piece: piece(), attempt: attempt + 1 })}>
        <Suspense fallback={typeof waiting === 'function' ? waiting(props) : waiting}>
          <Piece {...props} />
        </Suspense>
      </Boundary>
    );
  };
}
