/** Retoque's mark: a square cut from corner to corner, before and after. */
export function Mark({ size = 20 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true">
      <path d="M2 2h16v16z" fill="#e9c46a" />
      <path d="M2 2v16h16z" fill="#7fb7c0" />
    </svg>
  );
}
