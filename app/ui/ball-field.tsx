/** A ball field as it lies: small, beside a name. */
export function BallField({ pattern, size }: { pattern: readonly string[]; size: number }) {
  const columns = pattern[0]?.length ?? 1;
  return (
    <svg
      className="ball-field"
      width={size}
      height={size}
      viewBox={`0 0 ${Math.max(columns, pattern.length)} ${Math.max(columns, pattern.length)}`}
      aria-hidden="true"
    >
      {pattern.flatMap((line, row) =>
        [...line].map((dot, column) =>
          dot === '1' ? <circle key={`${row} ${column}`} cx={column + 0.5} cy={row + 0.5} r={0.34} /> : null,
        ),
      )}
    </svg>
  );
}
