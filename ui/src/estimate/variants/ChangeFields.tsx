import { ofLibrary, plain } from '../../model/specs';
import { useUnits } from '../../model/units';
import type { Change, Choices, Facing } from '../../model/variantCalls';
import { NumberField } from '../NumberField';
import { PERCENT, PLAIN, with_ } from '../measures';
import { useLibrary } from './useLibrary';

/** The fields of a change; each that is filled in is taken at once. */
export function ChangeFields({
  change: c,
  choices,
  project,
  without,
  onChange,
}: {
  change: Change;
  choices: Choices;
  project: string;
  /** A number that is not asked for here, since it runs through values. */
  without?: string;
  onChange: (c: Change) => void;
}) {
  const units = useUnits();
  const library = useLibrary(project);
  const number = (
    member: string,
    label: string,
    value: number | null | undefined,
    measure: Parameters<typeof NumberField>[0]['measure'],
    take: (v: number) => Change,
  ) =>
    member !== without && (
      <NumberField
        wide={false}
        label={label}
        value={value ?? null}
        measure={measure}
        onChange={(v) => v !== null && onChange(take(v))}
      />
    );
  /** One that may be left as it is. */
  const open = (
    member: string,
    label: string,
    value: number | null | undefined,
    measure: Parameters<typeof NumberField>[0]['measure'],
    take: (v: number | null) => Change,
  ) =>
    member !== without && (
      <NumberField
        wide={false}
        label={label}
        value={value ?? null}
        measure={measure}
        empty="as is"
        onChange={(v) => onChange(take(v))}
      />
    );
  switch (c.kind) {
    case 'GlazingShare':
      return (
        <>
          {number('share', 'Share', c.share, PERCENT, (share) => ({ ...c, share }))}
          {number('sill', 'from', c.sill, units.length, (sill) => ({ ...c, sill }))}
          <Directions
            of={c.facing}
            choices={choices}
            onChange={(facing) => onChange({ ...c, facing })}
          />
        </>
      );
    case 'WindowType':
      return (
        <>
          <select
            className="field max-w-[230px]"
            aria-label="Window type"
            value={c.name}
            onChange={(e) => {
              const g = library?.library.glazings.find((x) => x.name === e.target.value);
              if (g)
                onChange({
                  ...c,
                  name: g.name,
                  uValue: g.uValue ?? c.uValue,
                  solarHeatGain: g.solarHeatGain ?? c.solarHeatGain,
                  visibleTransmittance: g.visibleTransmittance ?? null,
                  source: g.source,
                });
            }}
          >
            {!library?.library.glazings.some((g) => g.name === c.name) && <option>{c.name}</option>}
            {library?.library.glazings.map((g) => (
              <option key={g.name}>{g.name}</option>
            ))}
          </select>
          {number('uValue', 'U', c.uValue, units.uValue, (uValue) => ({ ...c, uValue }))}
          {number('solarHeatGain', 'g', c.solarHeatGain, PLAIN, (solarHeatGain) => ({
            ...c,
            solarHeatGain,
          }))}
          <Directions
            of={c.facing}
            choices={choices}
            onChange={(facing) => onChange({ ...c, facing })}
          />
        </>
      );
    case 'WindowShades':
      return (
        <>
          {number('overhang', 'Overhang', c.overhang, units.length, (overhang) => ({
            ...c,
            overhang,
          }))}
          {number('fin', 'fins', c.fin, units.length, (fin) => ({ ...c, fin }))}
          <Directions
            of={c.facing}
            choices={choices}
            onChange={(facing) => onChange({ ...c, facing })}
          />
        </>
      );
    case 'ConstructionOfType':
      return (
        <>
          <Choice
            label="Type of surface"
            value={c.type ?? ''}
            of={choices.types.map((t) => [t.type, `${t.label} (${t.count})`])}
            onChange={(type) => onChange({ ...c, type: type as typeof c.type })}
          />
          <Choice
            label="Construction"
            value={c.construction?.name ?? ''}
            of={(library?.library.constructions ?? []).map((x) => [x.name, x.name])}
            onChange={(name) => {
              const of = library?.library.constructions.find((x) => plain(x.name) === plain(name));
              if (library && of) onChange({ ...c, construction: ofLibrary(library.library, of) });
            }}
          />
        </>
      );
    case 'LayerThickness': {
      const at = choices.constructions.find((x) => x.name === c.construction);
      return (
        <>
          <Choice
            label="Construction"
            value={c.construction ?? ''}
            of={choices.constructions
              .filter((x) => x.materials.length)
              .map((x) => [x.name, x.name])}
            onChange={(construction) => {
              const m = choices.constructions.find((x) => x.name === construction)!.materials[0];
              onChange({ ...c, construction, material: m.name, thickness: m.thickness ?? 0.1 });
            }}
          />
          <Choice
            label="Material"
            value={c.material ?? ''}
            of={(at?.materials ?? []).map((m) => [
              m.name,
              m.thickness == null ? m.name : `${m.name}, now ${units.thickness.text(m.thickness)}`,
            ])}
            onChange={(material) => {
              const m = at!.materials.find((x) => x.name === material)!;
              onChange({ ...c, material, thickness: m.thickness ?? c.thickness });
            }}
          />
          {number('thickness', 'Thickness', c.thickness, units.thickness, (thickness) => ({
            ...c,
            thickness,
          }))}
        </>
      );
    }
    case 'StatedUValue':
      return (
        <>
          <Choice
            label="Construction"
            value={c.construction ?? ''}
            of={choices.constructions.map((x) => [
              x.name,
              x.uValue == null ? x.name : `${x.name}, now ${units.uValue.text(x.uValue)}`,
            ])}
            onChange={(construction) => onChange({ ...c, construction })}
          />
          {number('uValue', 'U', c.uValue, units.uValue, (uValue) => ({ ...c, uValue }))}
        </>
      );
    case 'Leakage':
      return number('airChanges', 'Air changes', c.airChanges, with_('1/h'), (airChanges) => ({
        ...c,
        airChanges,
      }));
    case 'SetPoints':
      return (
        <>
          {open('heating', 'All heated to', c.heating, units.temperature, (heating) => ({
            ...c,
            heating,
          }))}
          {open('cooling', 'cooled to', c.cooling, units.temperature, (cooling) => ({
            ...c,
            cooling,
          }))}
        </>
      );
    case 'LightAndEquipment':
      return (
        <>
          {open('lighting', 'Light', c.lighting, units.powerDensity, (lighting) => ({
            ...c,
            lighting,
          }))}
          {open('equipment', 'equipment', c.equipment, units.powerDensity, (equipment) => ({
            ...c,
            equipment,
          }))}
        </>
      );
    case 'HeatRecovery':
      return number('share', 'Share', c.share, PERCENT, (share) => ({ ...c, share }));
    case 'SystemsOf': {
      const carriers: [string, string][] = [
        ['', 'as is'],
        ...choices.carriers.map((x): [string, string] => [x.carrier, x.label]),
      ];
      return (
        <>
          <Choice
            label="Heating by"
            shown
            value={c.heating ?? ''}
            of={carriers}
            onChange={(v) => onChange({ ...c, heating: (v || null) as typeof c.heating })}
          />
          {open('heatingEfficiency', 'efficiency', c.heatingEfficiency, PLAIN, (v) => ({
            ...c,
            heatingEfficiency: v,
          }))}
          <Choice
            label="Hot water by"
            shown
            value={c.hotWater ?? ''}
            of={carriers}
            onChange={(v) => onChange({ ...c, hotWater: (v || null) as typeof c.hotWater })}
          />
          {open('hotWaterEfficiency', 'efficiency', c.hotWaterEfficiency, PLAIN, (v) => ({
            ...c,
            hotWaterEfficiency: v,
          }))}
          {open('coolingEfficiency', 'Cooling, efficiency', c.coolingEfficiency, PLAIN, (v) => ({
            ...c,
            coolingEfficiency: v,
          }))}
          {open('fanPower', 'Fans', c.fanPower, with_('W/(l/s)'), (v) => ({ ...c, fanPower: v }))}
        </>
      );
    }
    case 'Turned':
      return number('degrees', 'Clockwise by', c.degrees, with_('°'), (degrees) => ({
        ...c,
        degrees,
      }));
    case 'StoreyHeight':
      return (
        <>
          <Choice
            label="Storey"
            value={c.storey ?? ''}
            of={[
              ['', 'all storeys'],
              ...choices.storeys.map((s): [string, string] => [
                s.name,
                `${s.name}, now ${units.length.text(s.height)}`,
              ]),
            ]}
            onChange={(storey) => onChange({ ...c, storey })}
          />
          {number('height', 'Floor to floor', c.height, units.length, (height) => ({
            ...c,
            height,
          }))}
        </>
      );
    case 'OtherClimate':
      return (
        <Choice
          label="Weather"
          value={c.climate ?? ''}
          of={choices.weather.map((w) => [w.id, w.label])}
          onChange={(climate) =>
            onChange({ ...c, climate, name: choices.weather.find((w) => w.id === climate)!.label })
          }
        />
      );
  }
}

function Choice({
  label,
  shown = false,
  value,
  of,
  onChange,
}: {
  label: string;
  shown?: boolean;
  value: string;
  of: [string, string][];
  onChange: (v: string) => void;
}) {
  return (
    <label className="flex items-center gap-1.5">
      <span className={shown ? '' : 'sr-only'}>{label}</span>
      <select
        className="field max-w-[270px]"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      >
        {!of.some(([v]) => v === value) && <option value={value}>{value || 'Choose …'}</option>}
        {of.map(([v, text]) => (
          <option key={v} value={v}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}

const SHORT: Record<Facing, string> = {
  NORTH: 'N',
  NORTH_EAST: 'NE',
  EAST: 'E',
  SOUTH_EAST: 'SE',
  SOUTH: 'S',
  SOUTH_WEST: 'SW',
  WEST: 'W',
  NORTH_WEST: 'NW',
};

/** Which walls are meant; none chosen means all. */
function Directions({
  of = [],
  choices,
  onChange,
}: {
  of: Facing[] | undefined;
  choices: Choices;
  onChange: (f: Facing[]) => void;
}) {
  const units = useUnits();
  return (
    <fieldset className="flex items-center gap-0.5">
      <legend className="sr-only">Walls that face</legend>
      {choices.sides
        .filter((s) => s.gross > 0 || of.includes(s.facing))
        .map((s) => (
          <label
            key={s.facing}
            title={`Facing ${s.label}: ${units.area.text(s.gross)} of outdoor wall, ${Math.round(100 * s.share)} % glazed now`}
            className={`cursor-pointer rounded-sm border px-1.5 leading-[22px] select-none has-focus-visible:outline-2 ${
              of.includes(s.facing)
                ? 'border-kelp bg-kelp-soft font-semibold'
                : 'border-line text-muted'
            }`}
          >
            <input
              type="checkbox"
              className="sr-only"
              checked={of.includes(s.facing)}
              onChange={(e) =>
                onChange(e.target.checked ? [...of, s.facing] : of.filter((f) => f !== s.facing))
              }
            />
            {SHORT[s.facing]}
            <span className="sr-only"> ({s.label})</span>
          </label>
        ))}
      {of.length === 0 && <span className="ml-1 text-sm text-muted">all walls</span>}
    </fieldset>
  );
}
