import { useShallow } from 'zustand/react/shallow';
import {
  Eye,
  EyeOff,
  Focus,
  Frame,
  type LucideIcon,
  PanelBottom,
  PanelRight,
  Ruler,
} from 'lucide-react';
import { useView } from '../model/state';
import { useArranged } from '../shared/arrangement';
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
  const { lead, turn } = useArranged();
  return (
    <div
      className="flex shrink-0 flex-wrap items-center gap-1 border-b print:hidden border-line bg-paper px-1.5 py-[3px]"
      role="toolbar"
      aria-label="The model"
    >
      <Tool
        icon={Focus}
        label="Only this"
        title="Show only the selection (I)"
        disabled={!view.some}
        run={isolate}
      />
      <Tool
        icon={EyeOff}
        label="Hide"
        title="Hide the selection (H)"
        disabled={!view.some}
        run={hide}
      />
      <Tool
        icon={Eye}
        label="Show all"
        title="Show everything (A)"
        disabled={!view.part}
        run={showAll}
      />
      <Tool
        icon={Frame}
        label="Frame"
        title="Frame the selection, or everything (F, 0)"
        run={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
      />
      <Tool
        icon={Ruler}
        label="Measure"
        title="Measure distance, height or area (M)"
        on={!!view.measure}
        run={() => view.set({ measure: view.measure ? null : 'distance' })}
      />
      <div className="ml-auto hidden gap-px @md:flex">
        {VIEWS.map(([label, title, dir]) => (
          <button
            key={label}
            className="btn-quiet !min-w-[24px] justify-center !px-1.5"
            title={title}
            onClick={() => scene?.viewFrom(...dir)}
          >
            {label}
          </button>
        ))}
      </div>
      <Tool
        push
        icon={lead === 'model' ? PanelRight : PanelBottom}
        title={
          lead === 'model'
            ? 'Give the room to the tables; the model becomes an inset (V)'
            : 'Bring the model forward (V)'
        }
        run={turn}
        id="turn"
      />
    </div>
  );
}

/** A button of the bar; its word is left out where the bar is narrow. */
function Tool({
  icon: Icon,
  label,
  title,
  disabled,
  on,
  run,
  id,
  push,
}: {
  icon: LucideIcon;
  label?: string;
  title: string;
  disabled?: boolean;
  on?: boolean;
  run: () => void;
  id?: string;
  /** To the right end where nothing else is there. */
  push?: boolean;
}) {
  return (
    <button
      className={`btn !px-1.5 ${on ? 'btn-main' : ''} ${push ? 'ml-auto @md:ml-0' : ''}`}
      title={title}
      aria-label={label ?? title}
      aria-pressed={on}
      disabled={disabled}
      data-testid={id}
      onClick={run}
    >
      <Icon size={14} />
      {label && <span className="hidden @2xl:inline">{label}</span>}
    </button>
  );
}
