import { Check, TriangleAlert } from 'lucide-react';
import type { HandoverFile, HandoverFormat } from '../model/handoverCalls';
import { bytes, count } from '../model/words';
import type { Wish } from './useWish';

const GROUPS: [string, (code: string) => boolean][] = [
  ['gbXML', (c) => c.startsWith('gbxml')],
  ['IFC', (c) => c.startsWith('ifc')],
  ['Shapes for modelling tools', (c) => c === 'glb' || c === 'dxf'],
  ['Tables', (c) => c === 'xlsx'],
];

/** Formats to be written; under each chosen one, what is to be said of its file beforehand. */
export function FormatChoice({
  formats,
  wish,
  files,
  busy,
}: {
  formats: HandoverFormat[];
  wish: Wish;
  files: HandoverFile[];
  busy: boolean;
}) {
  return (
    <fieldset className="mt-3" data-testid="formats">
      <legend className="kicker">In which formats</legend>
      {GROUPS.map(([group, is]) => (
        <div key={group} className="mb-1.5">
          <p className="text-sm text-muted">{group}</p>
          {formats
            .filter((f) => is(f.code))
            .map((f) => {
              const file = files.find((x) => x.format === f.code);
              const chosen = wish.formats.includes(f.code);
              return (
                <div key={f.code}>
                  <label className="flex items-center gap-2 leading-[24px]">
                    <input
                      type="checkbox"
                      name={f.code}
                      checked={chosen}
                      onChange={() => wish.toggleFormat(f.code)}
                    />
                    <span className="min-w-0 flex-1 truncate">{f.label}</span>
                    {chosen && file && !busy && (
                      <span className="text-sm text-muted">{bytes(file.size)}</span>
                    )}
                  </label>
                  {chosen && file && !busy && <Said file={file} />}
                </div>
              );
            })}
        </div>
      ))}
      <p className="text-sm text-muted">Beside them</p>
      {(
        [
          ['report', 'Report (HTML)'],
          ['topics', 'Open findings as BCF'],
        ] as const
      ).map(([key, label]) => (
        <label key={key} className="flex items-center gap-2 leading-[24px]">
          <input
            type="checkbox"
            name={key}
            checked={wish.extras[key]}
            onChange={() => wish.setExtras({ ...wish.extras, [key]: !wish.extras[key] })}
          />
          {label}
        </label>
      ))}
    </fieldset>
  );
}

/** How a file stands: proven or not, and what it could not hold. */
export function Said({ file: f }: { file: HandoverFile }) {
  const against = [
    ...f.faults.map((t) => `Against the standard: ${t}`),
    ...f.differences.map((t) => `Reads back otherwise: ${t}`),
  ];
  return (
    <div className="mb-0.5 ml-[21px] text-sm">
      {against.length > 0 ? (
        <details open={against.length < 3}>
          <summary className="cursor-pointer font-semibold text-error">
            <TriangleAlert size={12} className="mr-1 inline" />
            {count(against.length, 'thing')} against it
          </summary>
          <Lines lines={against} />
        </details>
      ) : (
        <span className="text-muted">
          <Check size={12} className="mr-1 inline text-kelp" />
          {f.readBack ? 'Reads back equal' : counts(f)}
        </span>
      )}
      {f.notes.length > 0 && (
        <details>
          <summary className="cursor-pointer text-muted">{count(f.notes.length, 'note')}</summary>
          <Lines lines={f.notes} />
        </details>
      )}
    </div>
  );
}

function Lines({ lines }: { lines: string[] }) {
  return (
    <ul className="ml-3 list-disc">
      {lines.slice(0, 40).map((l) => (
        <li key={l}>{l}</li>
      ))}
      {lines.length > 40 && <li>and {lines.length - 40} more</li>}
    </ul>
  );
}

function counts(f: HandoverFile): string {
  const all = Object.entries(f.counts);
  return all.length
    ? all
        .slice(0, 3)
        .map(([what, n]) => `${n} ${what}`)
        .join(', ')
    : 'Written';
}
