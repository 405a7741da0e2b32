import { drawn, type ModelIndex } from '../model';
import { useView } from '../state';

/** Shows only what is selected. */
export function isolate(index: ModelIndex) {
  const keys = useView.getState().selection.flatMap((k) => drawn(index, k));
  if (keys.length) useView.setState({ isolated: new Set(keys), hidden: new Set() });
}

/** Hides what is selected. */
export function hide(index: ModelIndex) {
  const v = useView.getState();
  const keys = v.selection.flatMap((k) => drawn(index, k));
  useView.setState({ hidden: new Set([...v.hidden, ...keys]), selection: [] });
}

/** Shows everything, uncut. */
export function showAll() {
  useView.setState({
    hidden: new Set(),
    isolated: null,
    cut: null,
    sweep: null,
    apart: false,
    exposuresOff: new Set(),
  });
}
