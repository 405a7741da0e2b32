import { Tabs } from 'radix-ui';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useSheetHeight } from './useSheetHeight';

/** The resizable, foldable part under the stage: its tabs, what stands beside them, and the table of the chosen one. */
export function SheetFrame<T extends string>({
  tabs,
  tab,
  onTab,
  tools,
  children,
}: {
  tabs: [T, string, number | string][];
  tab: T;
  onTab: (tab: T) => void;
  tools?: React.ReactNode;
  children: React.ReactNode;
}) {
  const { height, folded, drag, fold } = useSheetHeight();
  return (
    <Tabs.Root value={tab} onValueChange={(key) => onTab(key as T)} asChild>
      <section
        className="flex shrink-0 flex-col border-t border-line bg-panel"
        style={{ height: folded ? 32 : height }}
        aria-label="Sheet"
      >
        <div
          className="h-[4px] cursor-ns-resize hover:bg-kelp/40"
          onPointerDown={drag}
          title="Drag to resize the sheet"
        />
        <div className="flex h-[30px] shrink-0 items-center border-b border-line px-2">
          <Tabs.List className="flex min-w-0 gap-0.5 overflow-x-auto [scrollbar-width:none]">
            {tabs.map(([key, label, n]) => (
              <Tabs.Trigger
                key={key}
                value={key}
                className="h-[30px] shrink-0 border-b-2 border-transparent px-1.5 whitespace-nowrap text-muted hover:text-ink data-[state=active]:border-kelp data-[state=active]:font-semibold data-[state=active]:text-ink"
                onClick={() => folded && fold()}
              >
                {label} <span className="text-sm font-normal">{n}</span>
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <div className="ml-auto flex shrink-0 items-center gap-1 pl-1">
            {tools}
            <button
              className="btn-quiet !px-1"
              onClick={fold}
              title={folded ? 'Unfold the sheet' : 'Fold the sheet'}
            >
              {folded ? <ChevronUp size={14} /> : <ChevronDown size={14} />}
            </button>
          </div>
        </div>
        {!folded && children}
      </section>
    </Tabs.Root>
  );
}
