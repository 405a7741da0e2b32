import { Tabs } from 'radix-ui';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useArranged } from './arrangement';

/** The work of a workspace: its tabs, what stands beside them, and the table of the chosen one. */
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
  const { lead, folded, fold } = useArranged();
  return (
    <Tabs.Root value={tab} onValueChange={(key) => onTab(key as T)} asChild>
      <section className="flex min-h-0 flex-1 flex-col bg-panel" aria-label="Sheet">
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
            {lead === 'model' && (
              <button
                className="btn-quiet !px-1"
                onClick={fold}
                title={folded ? 'Unfold the sheet' : 'Fold the sheet'}
              >
                {folded ? <ChevronUp size={14} /> : <ChevronDown size={14} />}
              </button>
            )}
          </div>
        </div>
        <Tabs.Content
          value={tab}
          className={folded ? 'hidden' : 'flex min-h-0 flex-1 flex-col outline-none'}
        >
          {!folded && children}
        </Tabs.Content>
      </section>
    </Tabs.Root>
  );
}
