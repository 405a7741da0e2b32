import { useUnits } from '../model/units';
import { roundLength } from './scale';

const MOST = 110;

/** A length as it is drawn in the middle of the view. */
export function ScaleBar({ metresPerPixel }: { metresPerPixel: number }) {
  const units = useUnits();
  const { unit, to } = units.of('m');
  if (!(metresPerPixel > 0)) return null;
  const { length, pixels } = roundLength(to(metresPerPixel), MOST);
  const text = `${Number(length.toPrecision(3))} ${unit}`;
  return (
    <div
      className="pointer-events-none absolute right-2 top-2 text-right text-[11px] leading-none text-muted"
      role="img"
      aria-label={`Scale: this long is ${text} in the middle of the view`}
      data-testid="scale"
    >
      {text}
      <div
        className="mt-0.5 ml-auto h-[5px] border-x border-b border-muted"
        style={{ width: pixels }}
      />
    </div>
  );
}
