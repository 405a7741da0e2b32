import { useEffect, useRef } from 'react';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import { evidenceBox, outerSide } from './places';
import type { StageScene } from './StageScene';
import type { Subject } from './subject';

/** Moves the camera to what is asked for, and lets the wheel sweep a cut through the selection while C is held. */
export function useCamera(index: ModelIndex, subject: Subject, scene: StageScene | null) {
  const chosen = useView((s) => s.finding);
  const sweepKey = useRef(false);

  // a finding brings its place into view
  useEffect(() => {
    const finding = chosen ? index.findings.get(chosen) : undefined;
    if (!finding || !scene) return;
    const box = evidenceBox(finding);
    const keys = finding.objects.flatMap((o) => subject.drawn(o.key));
    if (keys.length) box.union(scene.boxOf(keys));
    if (!box.isEmpty()) scene.frameBox(box, outerSide(index, keys));
    // only when another finding is chosen, not when the model changes under it
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen]);

  useEffect(() => {
    const frame = (e: Event) => {
      const { detail } = e as CustomEvent;
      // what a person has turned to stays
      if (detail === 'untouched' && !scene?.controls.untouched) return;
      const all = !!detail;
      const keys = useView.getState().selection.flatMap(subject.drawn);
      scene?.frame(all || !keys.length ? null : keys, outerSide(index, keys));
    };
    const key = (e: KeyboardEvent) => {
      sweepKey.current =
        e.type === 'keydown' && e.key.toLowerCase() === 'c' && !e.ctrlKey && !e.metaKey;
    };
    window.addEventListener('yentra:frame', frame);
    window.addEventListener('keydown', key);
    window.addEventListener('keyup', key);
    scene?.controls.takeWheel((step) => {
      if (!sweepKey.current || !useView.getState().selection.length) return false;
      const now = useView.getState().sweep ?? 1;
      useView.setState({ sweep: Math.min(1, Math.max(0, now - step * 0.04)) });
      return true;
    });
    return () => {
      window.removeEventListener('yentra:frame', frame);
      window.removeEventListener('keydown', key);
      window.removeEventListener('keyup', key);
    };
  }, [subject, scene, index]);
}
