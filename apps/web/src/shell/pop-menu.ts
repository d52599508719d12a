import type { ReactElement, ReactNode } from 'react';

export interface PopMenuProps {
  /** The button that opens it. */
  readonly trigger: ReactElement<{ onClick?: () => void; 'aria-haspopup'?: 'dialog'; 'aria-expanded'?: boolean }>;
  readonly title?: string;
  readonly width: string;
  readonly testId?: string;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly children: ReactNode;
}
