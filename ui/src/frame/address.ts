import type { GroupBy, SheetTab, View } from '../model/state';
import { tablesOf, type TableName } from '../shared/workspaces';

/** So many selected objects are kept in the address; more would make it too long to be passed on. */
const MOST = 24;

/** What of the view the address holds. */
type Kept = Pick<
  View,
  | 'tab'
  | 'scopeTab'
  | 'thermalTab'
  | 'estimateTab'
  | 'selection'
  | 'finding'
  | 'group'
  | 'groupBy'
  | 'filters'
>;

const TABS = { scope: 'scopeTab', thermal: 'thermalTab', estimate: 'estimateTab' } as const;
const tabOf = (workspace: string) => TABS[workspace as keyof typeof TABS] ?? 'tab';

/** Opens a table of a workspace. */
export const openTable = (workspace: string, table: TableName) =>
  ({ [tabOf(workspace)]: table }) as Partial<
    Pick<View, 'tab' | 'scopeTab' | 'thermalTab' | 'estimateTab'>
  >;

/** The view of a workspace as the part of an address behind the question mark; the delivery stays. */
export function toAddress(view: Kept, workspace: string, before: URLSearchParams): string {
  const out = new URLSearchParams();
  const delivery = before.get('delivery');
  if (delivery) out.set('delivery', delivery);
  if (tablesOf(workspace).length) out.set('tab', view[tabOf(workspace)]);
  if (view.selection.length && view.selection.length <= MOST)
    for (const key of view.selection) out.append('on', key);
  if (view.finding) out.set('finding', view.finding);
  if (workspace === 'findings' && view.groupBy !== 'cause') out.set('by', view.groupBy);
  if (workspace === 'findings' && view.group) out.set('group', view.group);
  for (const [table, columns] of Object.entries(view.filters))
    for (const [column, text] of Object.entries(columns))
      if (text) out.append('where', `${table}.${column}=${text}`);
  const text = out.toString();
  return text ? `?${text}` : '';
}

/** What an address says of the view; what it does not say is nothing chosen. */
export function fromAddress(params: URLSearchParams, workspace: string): Partial<Kept> {
  const filters: Kept['filters'] = {};
  for (const where of params.getAll('where')) {
    const parts = /^([^.]+)\.(.+?)=(.*)$/s.exec(where);
    if (parts) (filters[parts[1]] ??= {})[parts[2]] = parts[3];
  }
  const out: Partial<Kept> = {
    selection: params.getAll('on'),
    finding: params.get('finding'),
    group: params.get('group'),
    groupBy: (params.get('by') ?? 'cause') as GroupBy,
    filters,
  };
  const tab = tablesOf(workspace).find((t) => t === params.get('tab'));
  return tab ? { ...out, ...openTable(workspace, tab) } : out;
}

/** The table that a workspace begins with, when one of another workspace was open. */
export function tableOf(workspace: string, tab: SheetTab): SheetTab {
  if (workspace === 'findings') return 'findings';
  if (workspace === 'envelope')
    return ['boundaries', 'surfaces', 'openings'].includes(tab) ? tab : 'spaces';
  return tab;
}
