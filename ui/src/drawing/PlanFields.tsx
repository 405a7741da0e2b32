import { useState } from 'react';
import { useUnits } from '../model/units';
import {
  canLoseStorey,
  fromBelow,
  overhangOf,
  QUARTERS,
  roofOf,
  sizeOf,
  windowsOf,
  withAllWindows,
  withBands,
  withHeight,
  withOverhang,
  withoutTopStorey,
  withRoof,
  withSize,
  withWindows,
  type Glazing,
  type PlanDoc,
  type RoofKind,
} from '../model/plan';
import { copiedUp } from './storeys';

/** Takes a drawing that was changed, with what was changed of it in a word or two. */
export type Changed = (doc: PlanDoc, what: string) => void;

/** Sizes, storeys, roof, windows and overhangs of a drawn building, as numbers. */
export function PlanFields({
  doc,
  storeys = true,
  onChange,
}: {
  doc: PlanDoc;
  /** Storeys are asked for here, not beside. */
  storeys?: boolean;
  onChange: Changed;
}) {
  return (
    <div data-testid="plan-fields">
      <Sizes doc={doc} bands={storeys} onChange={onChange} />
      {storeys && <Storeys doc={doc} onChange={onChange} />}
      <RoofFields doc={doc} onChange={onChange} />
      <Windows doc={doc} onChange={onChange} />
    </div>
  );
}

function Sizes({ doc, bands, onChange }: { doc: PlanDoc; bands: boolean; onChange: Changed }) {
  const size = sizeOf(doc);
  const depths = new Set(doc.floors.map((f) => f.bands?.depth_m ?? 0));
  const corners = doc.floors.flatMap((f) => f.outlines.map((o) => o.corners.length));
  if (!size && !bands) return null;
  return (
    <fieldset>
      <legend className="kicker mb-1">Plan</legend>
      {size ? (
        <>
          <Length
            label="Width, along x"
            value={size.width}
            least={1}
            onChange={(v) => onChange(withSize(doc, v, size.depth), 'width')}
          />
          <Length
            label="Depth, along y"
            value={size.depth}
            least={1}
            onChange={(v) => onChange(withSize(doc, size.width, v), 'depth')}
          />
        </>
      ) : corners.length === 0 ? null : (
        <p className="text-muted">
          {corners.length} {corners.length === 1 ? 'outline' : 'outlines'} with{' '}
          {corners.reduce((a, b) => a + b, 0)} corners.
        </p>
      )}
      {bands && (
        <Length
          label="Perimeter band"
          hint="Depth of the rooms along the outer walls; 0 leaves each floor one room."
          value={depths.size > 1 ? null : ([...depths][0] ?? 0)}
          least={0}
          onChange={(v) => onChange(withBands(doc, v || null), 'perimeter band')}
        />
      )}
    </fieldset>
  );
}

function Storeys({ doc, onChange }: { doc: PlanDoc; onChange: Changed }) {
  return (
    <fieldset className="mt-2">
      <legend className="kicker mb-1">Storeys, from the top</legend>
      {fromBelow(doc)
        .reverse()
        .map((s) => (
          <Length
            key={s.name}
            label={s.name}
            value={s.height_m}
            least={0.5}
            onChange={(v) => onChange(withHeight(doc, s.name, v), `height of ${s.name}`)}
          />
        ))}
      <div className="mt-1 flex gap-1.5">
        <button
          type="button"
          className="btn"
          onClick={() => onChange(copiedUp(doc, fromBelow(doc).at(-1)!.name, 1), 'a storey on top')}
        >
          Add a storey
        </button>
        {canLoseStorey(doc) && (
          <button
            type="button"
            className="btn"
            onClick={() => onChange(withoutTopStorey(doc), 'a storey less')}
          >
            Take the top one away
          </button>
        )}
      </div>
    </fieldset>
  );
}

const ROOFS: [RoofKind, string][] = [
  ['flat', 'flat'],
  ['shed', 'one slope'],
  ['gable', 'gable'],
  ['hip', 'hipped'],
];

function RoofFields({ doc, onChange }: { doc: PlanDoc; onChange: Changed }) {
  const roof = roofOf(doc);
  const pitched = (roof.kind ?? 'flat') !== 'flat';
  return (
    <fieldset className="mt-2">
      <legend className="kicker mb-1">Roof</legend>
      <Choice
        label="Form"
        value={roof.kind ?? 'flat'}
        choices={ROOFS}
        onChange={(kind) => onChange(withRoof(doc, { ...roof, kind: kind as RoofKind }), 'roof')}
      />
      {pitched && (
        <>
          <Figure
            label="Pitch"
            unit="°"
            value={roof.pitch_deg ?? 30}
            least={1}
            most={80}
            onChange={(v) =>
              onChange(withRoof(doc, { ...roof, pitch_deg: v }), 'pitch of the roof')
            }
          />
          {roof.kind !== 'hip' && (
            <Figure
              label="Ridge, clockwise from y"
              unit="°"
              value={roof.ridge_deg ?? 90}
              least={-360}
              most={360}
              onChange={(v) => onChange(withRoof(doc, { ...roof, ridge_deg: v }), 'ridge')}
            />
          )}
          <Choice
            label="Under it"
            value={roof.space ?? 'own'}
            choices={[
              ['own', 'an attic'],
              ['joined', 'the rooms below'],
            ]}
            onChange={(v) =>
              onChange(
                withRoof(doc, { ...roof, space: v as 'own' | 'joined' }),
                'what is under the roof',
              )
            }
          />
        </>
      )}
    </fieldset>
  );
}

const FORMS: [string, string][] = [
  ['band', 'a long band'],
  ['single', 'one in each wall'],
  ['each', 'one in each bay'],
];

const percent = (ratio: number | null) => (ratio === null ? null : Math.round(ratio * 1000) / 10);

function Windows({ doc, onChange }: { doc: PlanDoc; onChange: Changed }) {
  const any: Glazing = doc.glazing?.find((g) => g.id?.startsWith('windows-')) ?? {
    sill_m: 0.9,
    head_m: 2.7,
    form: 'band',
  };
  const others = (doc.glazing ?? []).filter((g) => !g.id?.startsWith('windows-')).length;
  return (
    <fieldset className="mt-2">
      <legend className="kicker mb-1">Windows, share of the wall</legend>
      {QUARTERS.map(([quarter]) => (
        <Figure
          key={quarter}
          label={`Facing ${quarter}`}
          unit="%"
          hint={others ? 'Rules of the drawing that are not shown here may give windows too.' : ''}
          unknown="by a rule"
          value={percent(windowsOf(doc, quarter)?.ratio ?? (others > 0 ? null : 0))}
          least={0}
          most={100}
          onChange={(v) =>
            onChange(withWindows(doc, quarter, { ratio: v / 100 }), `windows facing ${quarter}`)
          }
        />
      ))}
      <Length
        label="Sill above the floor"
        value={any.sill_m ?? 0.9}
        least={0}
        onChange={(v) => onChange(withAllWindows(doc, { sill_m: v }), 'sills')}
      />
      <Length
        label="Head above the floor"
        value={any.head_m ?? 2.7}
        least={0.1}
        onChange={(v) => onChange(withAllWindows(doc, { head_m: v }), 'heads')}
      />
      <Choice
        label="Form"
        value={any.form ?? 'band'}
        choices={FORMS}
        onChange={(form) =>
          onChange(
            withAllWindows(doc, { form: form as Glazing['form'], bay_m: any.bay_m ?? 3 }),
            'form of the windows',
          )
        }
      />
      {any.form === 'each' && (
        <Length
          label="Width of a bay"
          value={any.bay_m ?? 3}
          least={0.5}
          onChange={(v) => onChange(withAllWindows(doc, { bay_m: v }), 'bays')}
        />
      )}
      <Length
        label="Overhang at the head"
        hint="Depth of a shading surface over each window; 0 for none."
        value={overhangOf(doc)}
        least={0}
        onChange={(v) => onChange(withOverhang(doc, v), 'overhangs')}
      />
      {others > 0 && (
        <p className="text-sm text-muted">
          {others} more {others === 1 ? 'rule' : 'rules'} of the drawing stay as they are.
        </p>
      )}
    </fieldset>
  );
}

/** A length, shown and typed in the project's unit. */
function Length({
  value,
  least,
  ...rest
}: {
  label: string;
  hint?: string;
  value: number | null;
  least: number;
  onChange: (metres: number) => void;
}) {
  const { length } = useUnits();
  return (
    <Figure
      {...rest}
      unit={length.unit}
      value={value === null ? null : Number(length.to(value).toFixed(3))}
      least={length.to(least)}
      most={length.to(1000)}
      onChange={(v) => rest.onChange(length.from(v))}
    />
  );
}

/** A number: taken as soon as it is one that is allowed. */
function Figure({
  label,
  hint,
  unit,
  value,
  unknown = 'several',
  least,
  most,
  onChange,
}: {
  label: string;
  hint?: string;
  unit: string;
  value: number | null;
  /** Stands where there is no one value. */
  unknown?: string;
  least: number;
  most: number;
  onChange: (v: number) => void;
}) {
  const shown = value === null ? '' : String(value);
  // what is typed stands as it was typed until the field is left
  const [text, setText] = useState<string | null>(null);
  const typed = text === null ? value : number(text);
  const wrong = text !== null && (typed === null || typed < least || typed > most);
  return (
    <label className="mb-1 flex items-center justify-between gap-2" title={hint}>
      <span className="text-muted">{label}</span>
      <span className="flex items-center gap-1">
        <input
          className={`field w-20 text-right ${wrong ? 'border-blocker' : ''}`}
          inputMode="decimal"
          value={text ?? shown}
          placeholder={value === null ? unknown : ''}
          aria-invalid={wrong}
          onChange={(e) => {
            setText(e.target.value);
            const v = number(e.target.value);
            if (v !== null && v >= least && v <= most) onChange(v);
          }}
          onBlur={() => setText(null)}
        />
        <span className="w-5 text-sm text-muted">{unit}</span>
      </span>
    </label>
  );
}

function number(text: string): number | null {
  const t = text.trim().replace(',', '.');
  const n = Number(t);
  return t && Number.isFinite(n) ? n : null;
}

function Choice({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: string;
  choices: [string, string][];
  onChange: (v: string) => void;
}) {
  return (
    <label className="mb-1 flex items-center justify-between gap-2">
      <span className="text-muted">{label}</span>
      <select className="field w-36" value={value} onChange={(e) => onChange(e.target.value)}>
        {choices.map(([v, text]) => (
          <option key={v} value={v}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}
