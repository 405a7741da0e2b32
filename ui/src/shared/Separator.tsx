/** A marked handle between two parts: dragged, or moved by the arrow keys; Home gives the usual size back. */
export function Separator({
  label,
  along,
  value,
  least,
  most,
  grows,
  onChange,
  style,
}: {
  label: string;
  /** The direction in which it moves. */
  along: 'x' | 'y';
  value: number;
  least: number;
  most: number;
  /** +1 when the size grows to the right or down, −1 when to the left or up. */
  grows: 1 | -1;
  /** A size in pixels; null for the usual one. */
  onChange: (size: number | null) => void;
  style?: React.CSSProperties;
}) {
  const bounded = (v: number) => Math.round(Math.max(least, Math.min(most, v)));

  function drag(e: React.PointerEvent) {
    e.preventDefault();
    const start = along === 'x' ? e.clientX : e.clientY;
    const move = (p: PointerEvent) =>
      onChange(bounded(value + grows * ((along === 'x' ? p.clientX : p.clientY) - start)));
    const done = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', done);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', done);
  }

  function key(e: React.KeyboardEvent) {
    const [less, more] = along === 'x' ? ['ArrowLeft', 'ArrowRight'] : ['ArrowUp', 'ArrowDown'];
    const by = e.key === more ? 1 : e.key === less ? -1 : 0;
    if (by) onChange(bounded(value + grows * by * (e.shiftKey ? 80 : 20)));
    else if (e.key === 'Home') onChange(null);
    else return;
    e.preventDefault();
    e.stopPropagation();
  }

  return (
    <div
      role="separator"
      tabIndex={0}
      aria-label={label}
      aria-orientation={along === 'x' ? 'vertical' : 'horizontal'}
      aria-valuenow={value}
      aria-valuemin={least}
      aria-valuemax={Math.max(least, most)}
      title={`${label}: drag, or the arrow keys; double click for the usual size`}
      className={`group z-20 flex items-center justify-center hover:bg-kelp/30 focus-visible:bg-kelp/30 ${along === 'x' ? '-ml-[4px] w-[8px] cursor-ew-resize' : '-mt-[4px] h-[8px] cursor-ns-resize'}`}
      style={style}
      onPointerDown={drag}
      onKeyDown={key}
      onDoubleClick={() => onChange(null)}
    >
      <span
        className={`rounded-full bg-muted/70 group-hover:bg-kelp ${along === 'x' ? 'h-7 w-[3px]' : 'h-[3px] w-7'}`}
      />
    </div>
  );
}
