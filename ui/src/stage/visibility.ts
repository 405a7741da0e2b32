import { useView } from '../model/state';

/** Shows only what is selected. */
export function isolate() {
  const v = useView.getState();
  const keys = v.selection.flatMap(v.drawn);
  if (keys.length) useView.setState({ isolated: new Set(keys), hidden: new Set() });
}

/** Hides what is selected. */
export function hide() {
  const v = useView.getState();
  const keys = v.selection.flatMap(v.drawn);
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
    groupsOff: new Set(),
  });
}
