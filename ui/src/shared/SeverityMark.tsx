/** Octagon, triangle, diamond or circle: the shape says it too, not the colour alone. */
export function SeverityMark({ severity, size = 12 }: { severity: string; size?: number }) {
  const shape = {
    blocker: 'M4 1h6l3 3v6l-3 3H4l-3-3V4z',
    error: 'M7 1 13.5 13H.5z',
    warning: 'M7 .5 13.5 7 7 13.5.5 7z',
    note: 'M7 1a6 6 0 1 1 0 12A6 6 0 0 1 7 1z',
  }[severity];
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 14 14"
      role="img"
      aria-label={severity}
      className="shrink-0"
    >
      <path d={shape} fill={`var(--${severity})`} />
    </svg>
  );
}
