import {
  Maximize2,
  MousePointer2,
  PenLine,
  Pentagon,
  RectangleHorizontal,
  Building2,
  DoorOpen,
  Tag,
} from 'lucide-react';
import { useBoard, type Tool } from './board';
import { TOOLS } from './words';

const ICONS: Partial<Record<Tool, typeof PenLine>> = {
  select: MousePointer2,
  outline: Pentagon,
  line: PenLine,
  rectangle: RectangleHorizontal,
  opening: DoorOpen,
  name: Tag,
  block: Building2,
};

/** What the pointer does, and the view. */
export function BoardTools({ fit, children }: { fit: () => void; children?: React.ReactNode }) {
  const tool = useBoard((s) => s.tool);
  const set = useBoard((s) => s.set);
  return (
    <div
      className="flex h-[30px] shrink-0 items-center gap-0.5 border-b border-line px-1.5"
      role="toolbar"
      aria-label="Drawing"
    >
      {TOOLS.map(([key, label, letter, title]) => {
        const Icon = ICONS[key]!;
        return (
          <button
            key={key}
            className={`btn-quiet !px-1.5 ${tool === key ? 'bg-kelp-soft text-kelp' : ''}`}
            aria-pressed={tool === key}
            aria-label={label}
            title={`${title} (${letter})`}
            onClick={() => set({ tool: key, part: null })}
            data-testid={`tool-${key}`}
          >
            <Icon size={14} />
            <span className="hidden @2xl:inline">{label}</span>
          </button>
        );
      })}
      <span className="ml-auto flex items-center gap-1">
        {children}
        <button
          className="btn-quiet !px-1.5"
          title="Show all that is drawn (F)"
          aria-label="Show all that is drawn"
          onClick={fit}
        >
          <Maximize2 size={14} />
        </button>
      </span>
    </div>
  );
}
