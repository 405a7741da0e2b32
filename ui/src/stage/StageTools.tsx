import { useShallow } from 'zustand/react/shallow';
import { Eye, EyeOff, Focus, Frame, Ruler } from 'lucide-react';
import { useView } from '../model/state';
import type { StageScene } from './StageScene';
import { hide, isolate, showAll } from './visibility';

const VIEWS: [string, string, [number, number, number]][] = [
  ['N', 'North elevation', [0, 1, 0]],
  ['E', 'East elevation', [1, 0, 0]],
  ['S', 'South elevation', [0, -1, 0]],
  ['W', 'West elevation', [-1, 0, 0]],
  ['Plan', 'Plan from above', [0, 0, 1]],
  ['Iso', 'From the south-west, above', [-0.65, -1, 0.62]],
];

/** What is shown, and from where. */
export function StageTools({ scene }: { scene: StageScene | null }) {
  const view = useView(
    useShallow((s) => ({
      some: s.selection.length > 0,
      part: !!s.isolated || s.hidden.size > 0 || !!s.cut || s.sweep != null,
      measure: s.measure,
      set: s.set,
    })),
  );
  return (
    <>
      <div className="absolute top-2 right-2 flex gap-1">
        {VIEWS.map(([label, title, dir]) => (
          <button
            key={label}
            className="btn !px-2"
            title={title}
            onClick={() => scene?.viewFrom(...dir)}
          >
            {label}
          </button>
        ))}
      </div>
      <div className="absolute top-2 left-[120px] flex gap-1">
        <button
          className="btn"
          disabled={!view.some}
          title="Show only the selection (I)"
          onClick={isolate}
        >
          <Focus size={14} /> Only this
        </button>
        <button className="btn" disabled={!view.some} title="Hide the selection (H)" onClick={hide}>
          <EyeOff size={14} /> Hide
        </button>
        <button className="btn" disabled={!view.part} title="Show everything (A)" onClick={showAll}>
          <Eye size={14} /> Show all
        </button>
        <button
          className="btn"
          title="Frame the selection, or everything (F, 0)"
          onClick={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        >
          <Frame size={14} /> Frame
        </button>
        <button
          className={`btn ${view.measure ? 'btn-main' : ''}`}
          aria-pressed={!!view.measure}
          title="Measure distance, height or area (M)"
          onClick={() => view.set({ measure: view.measure ? null : 'distance' })}
        >
          <Ruler size={14} /> Measure
        </button>
      </div>
    </>
  );
}
