import type { Model } from './api';
import type { ModelIndex } from './model';
import { useView } from './state';
import { isOpen } from './groups';

/** Goes to the next (1) or previous (−1) finding; after a repair, on from where the answered one stood. */
export function nextFinding(index: ModelIndex, step: 1 | -1) {
  const list = index.model.findings.filter(isOpen);
  if (!list.length) {
    useView.setState({ finding: null, message: { text: 'No findings are left.', bad: false } });
    return;
  }
  const { finding, answered } = useView.getState();
  const shown = list.findIndex((f) => f.id === finding);
  // the place of an answered finding is now that of the one behind it
  const place = Math.min(answered ?? 0, list.length);
  const from = shown >= 0 ? shown + step : step > 0 ? place : place - 1;
  const next = list[(from + list.length) % list.length];
  useView.setState({
    finding: next.id,
    answered: null,
    selection: [],
    tab: 'findings',
  });
}

/** Remembers the place of the finding that a change of the model has answered. */
export function leaveAnswered(before: Model, after: Model) {
  const { finding } = useView.getState();
  const at = before.findings.findIndex((f) => f.id === finding);
  // gone, or taken as it is
  const was = at >= 0 && isOpen(before.findings[at]);
  if (was && !after.findings.some((f) => f.id === finding && isOpen(f))) {
    useView.setState({ finding: null, answered: at });
  }
}
