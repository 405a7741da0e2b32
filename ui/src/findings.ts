import type { ModelIndex } from './model';
import { useView } from './state';

/** Goes to the next (1) or previous (−1) finding; after a repair, on from where the answered one stood. */
export function nextFinding(index: ModelIndex, step: 1 | -1) {
  const list = index.model.findings;
  if (!list.length) {
    useView.setState({ finding: null, message: { text: 'No findings are left.', bad: false } });
    return;
  }
  const at = list.findIndex((f) => f.id === useView.getState().finding);
  const next = at < 0 ? (step > 0 ? 0 : list.length - 1) : (at + step + list.length) % list.length;
  useView.setState({ finding: list[next].id, selection: [], pending: null, tab: 'findings' });
}
