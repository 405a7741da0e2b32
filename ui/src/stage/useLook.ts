import { useMemo } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { LIT, SEVERITY_COLOUR } from '../model/colours';
import type { ModelIndex } from '../model/model';
import { ringsOf } from '../model/shapes';
import { useView } from '../model/state';
import { sweepPlane } from './places';
import type { Look, StageScene } from './StageScene';
import type { Subject } from './subject';

/** How the subject is to look: what of it is shown, faint, selected, marked, previewed, cut. */
export function useLook(index: ModelIndex, subject: Subject, scene: StageScene | null): Look {
  const view = useView(
    useShallow((s) => ({
      selection: s.selection,
      sweep: s.sweep,
      lit: s.lit,
      preview: s.pending?.preview ?? null,
      between: s.between,
      cut: s.cut,
      apart: s.apart,
      finding: s.finding,
      hidden: s.hidden,
      isolated: s.isolated,
      groupsOff: s.groupsOff,
    })),
  );
  const finding = view.finding ? index.findings.get(view.finding) : undefined;
  const { hidden, isolated, groupsOff, preview } = view;
  const visible = useMemo<Look['visible']>(
    () => (it) =>
      !groupsOff.has(it.group) &&
      !hidden.has(it.owner) &&
      !hidden.has(it.key) &&
      (!isolated || isolated.has(it.owner) || isolated.has(it.key)),
    [hidden, isolated, groupsOff],
  );
  const about = useMemo(
    () => finding?.objects.flatMap((o) => subject.drawn(o.key)) ?? [],
    [finding, subject],
  );
  const ghosted = useMemo<Look['ghosted']>(() => {
    const lit = new Set(about.map((k) => index.openings.get(k)?.surface ?? k));
    return lit.size ? (it) => !lit.has(it.owner) : null;
  }, [about, index]);
  const compared = useMemo(() => {
    if (!preview) return null;
    const rings = (list: { rings?: number[][] | null }[]) => list.flatMap((o) => o.rings ?? []);
    const old = [...preview.removedSurfaces, ...preview.changedSurfaces.map((s) => s.key)];
    return {
      before: old
        .flatMap((k) => index.surfaces.get(k) ?? [])
        .flatMap((s) => [s, ...s.openings])
        .flatMap((o) => ringsOf(o.shape)),
      after: rings(preview.changedSurfaces.flatMap((s) => [s, ...s.openings])),
    };
  }, [preview, index]);
  return useMemo<Look>(() => {
    const chosen = view.selection.flatMap(subject.drawn);
    const sweepBox =
      view.sweep != null && view.selection[0]
        ? scene?.boxOf(subject.drawn(view.selection[0]))
        : null;
    return {
      visible,
      ghosted,
      selection: [...about, ...chosen],
      evidence: finding
        ? { ...finding.evidence, colour: SEVERITY_COLOUR[finding.severity] }
        : view.lit && { ...view.lit, colour: LIT },
      preview: compared && { ...compared, between: view.between },
      cut: view.cut,
      sweep: sweepBox && !sweepBox.isEmpty() ? sweepPlane(sweepBox, view.sweep!) : null,
      apart: view.apart,
    };
  }, [
    subject,
    finding,
    about,
    visible,
    ghosted,
    view.selection,
    view.cut,
    view.sweep,
    view.apart,
    compared,
    view.between,
    view.lit,
    scene,
  ]);
}
