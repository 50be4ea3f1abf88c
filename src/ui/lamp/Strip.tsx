"use client";

/** Light in time as a strip of bars. */
export function Strip({ bars }: { bars: readonly (readonly [number, number])[] }) {
  return (
    <svg
      className="strip"
      viewBox="0 0 100 8"
      preserveAspectRatio="none"
      role="img"
      aria-label={`${bars.length} flashes`}
    >
      {bars.map(([from, to], i) => (
        <rect key={i} x={from * 100} width={Math.max(0.4, (to - from) * 100)} y="0" height="8" />
      ))}
    </svg>
  );
}
