import type { ReactNode } from 'react';

/** A small button of one item of a list: takes it away, or moves it. */
export function ItemButton({
  label,
  end = false,
  disabled = false,
  onPress,
  children,
}: {
  label: string;
  /** It stands at the end of its line. */
  end?: boolean;
  disabled?: boolean;
  onPress: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className={end ? 'small-button end' : 'small-button'}
      aria-label={label}
      disabled={disabled}
      onClick={onPress}
    >
      {children}
    </button>
  );
}
