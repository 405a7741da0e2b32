import { useEffect, useMemo, useRef, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import * as THREE from 'three';
import { Eye, EyeOff, Focus, Frame, Ruler } from 'lucide-react';
import type { Finding } from '../model/api';
import type { ModelIndex } from '../model/model';
import { axes, points as ringPoints } from '../shared/geometry';
import { useView } from '../model/state';
import { SEVERITY_COLOUR } from '../model/colours';
import { Legend } from './Legend';
import { Measure, type MeasurePoint } from './Measure';
import { NorthRose } from './NorthRose';
import { StageScene, type Look } from './StageScene';
import { StoreyLadder } from './StoreyLadder';
import type { Subject } from './subject';
import { hide, isolate, showAll } from './visibility';
import { LIT } from '../model/colours';

const VIEWS: [string, string, [number, number, number]][] = [
  ['N', 'North elevation', [0, 1, 0]],
  ['E', 'East elevation', [1, 0, 0]],
  ['S', 'South elevation', [0, -1, 0]],
  ['W', 'West elevation', [-1, 0, 0]],
  ['Plan', 'Plan from above', [0, 0, 1]],
  ['Iso', 'From the south-west, above', [-0.65, -1, 0.62]],
];

/** Places that are shown without being a fault. */

declare global {
  interface Window {
    /** For browser tests: what is drawn, and where. */
    yentraStage?: () => ReturnType<StageScene['probe']>;
  }
}

/** The model in 3D: the same picture in every workspace. */
export function Stage({
  index,
  subject,
  elements,
}: {
  index: ModelIndex;
  subject: Subject;
  /** Whether the architect's elements can be shown around the subject. */
  elements: boolean;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const under = useRef<HTMLCanvasElement>(null);
  const holder = useRef<HTMLDivElement>(null);
  const [scene, setScene] = useState<StageScene | null>(null);
  const [size, setSize] = useState<readonly [number, number]>([1, 1]);
  const [hover, setHover] = useState<{ key: string; x: number; y: number } | null>(null);
  const [heading, setHeading] = useState(0);
  const [, redraw] = useState(0);
  const [points, setPoints] = useState<MeasurePoint[]>([]);
  const [snap, setSnap] = useState<MeasurePoint | null>(null);
  const [band, setBand] = useState<{ x0: number; y0: number; x1: number; y1: number } | null>(null);
  const view = useView(
    useShallow((s) => ({
      selection: s.selection,
      sweep: s.sweep,
      lit: s.lit,
      pending: s.pending,
      cut: s.cut,
      apart: s.apart,
      finding: s.finding,
      hidden: s.hidden,
      isolated: s.isolated,
      groupsOff: s.groupsOff,
      measure: s.measure,
      select: s.select,
      set: s.set,
    })),
  );
  const sweepKey = useRef(false);

  useEffect(() => {
    const s = new StageScene(canvas.current!, under.current!);
    // the observer may still speak once after the element has left the page
    const room = holder.current!;
    const fit = () => {
      if (!room.isConnected) return;
      const box = [room.clientWidth, room.clientHeight] as const;
      s.resize(...box);
      setSize(box);
    };
    const watch = new ResizeObserver(fit);
    watch.observe(room);
    fit();
    s.onFrame = () => {
      setHeading(Math.round(s.heading() * 2) / 2);
      if (useView.getState().measure) redraw((n) => n + 1);
    };
    window.yentraStage = () => s.probe(room.clientWidth, room.clientHeight);
    setScene(s);
    return () => {
      watch.disconnect();
      s.dispose();
      setScene(null);
    };
  }, []);

  useEffect(() => {
    useView.setState({ drawn: subject.drawn });
    scene?.setDrawing(subject.drawing);
  }, [scene, subject]);

  const finding = view.finding ? index.findings.get(view.finding) : undefined;
  const { hidden, isolated, groupsOff } = view;
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
  const look = useMemo<Look>(() => {
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
      preview: view.pending?.preview
        ? view.pending.preview.changedSurfaces.flatMap((s) => [
            ...s.rings,
            ...s.openings.flatMap((o) => o.rings),
          ])
        : null,
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
    view.pending,
    view.lit,
    scene,
  ]);

  useEffect(() => scene?.setLook(look), [look, scene]);

  // a finding brings its place into view
  useEffect(() => {
    if (!finding || !scene) return;
    const box = evidenceBox(finding);
    const keys = finding.objects.flatMap((o) => subject.drawn(o.key));
    if (keys.length) box.union(scene.boxOf(keys));
    if (!box.isEmpty()) scene.frameBox(box, outerSide(index, keys));
    // only when another finding is chosen, not when the model changes under it
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [view.finding]);

  useEffect(() => {
    const frame = (e: Event) => {
      const all = (e as CustomEvent).detail === 'all';
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

  function move(e: React.PointerEvent) {
    const s = scene;
    if (!s) return;
    const r = canvas.current!.getBoundingClientRect();
    if (band) {
      setBand({ ...band, x1: e.clientX - r.left, y1: e.clientY - r.top });
      return;
    }
    if (e.buttons) {
      setHover(null);
      return;
    }
    if (view.measure) {
      setSnap(s.snap(s.controls.place(e), ...size));
      setHover(null);
      return;
    }
    const hit = s.pick(s.controls.place(e));
    setHover(hit ? { key: hit.key, x: e.clientX - r.left, y: e.clientY - r.top } : null);
  }

  function down(e: React.PointerEvent) {
    if (e.shiftKey && e.button === 0) {
      const r = canvas.current!.getBoundingClientRect();
      setBand({
        x0: e.clientX - r.left,
        y0: e.clientY - r.top,
        x1: e.clientX - r.left,
        y1: e.clientY - r.top,
      });
      canvas.current!.setPointerCapture(e.pointerId);
    }
  }

  function up(e: React.PointerEvent) {
    if (!band || !scene) return;
    const [w, h] = size;
    const dev = (x: number, y: number) => new THREE.Vector2((x / w) * 2 - 1, 1 - (y / h) * 2);
    const keys = scene.within(dev(band.x0, band.y0), dev(band.x1, band.y1));
    const small = Math.hypot(band.x1 - band.x0, band.y1 - band.y0) < 5;
    if (!small) {
      const now = new Set(view.selection);
      keys.forEach((k) => (e.altKey ? now.delete(k) : now.add(k)));
      view.select([...now]);
    }
    setBand(null);
  }

  function click(e: React.MouseEvent) {
    const s = scene;
    if (!s || s.controls.dragged) return;
    if (view.measure) {
      const p = s.snap(s.controls.place(e), ...size);
      if (p) setPoints((old) => (view.measure !== 'area' && old.length >= 2 ? [p] : [...old, p]));
      return;
    }
    const hit = s.pick(s.controls.place(e));
    if (hit) view.select([hit.key], e.ctrlKey || e.metaKey || e.shiftKey);
    else if (!e.shiftKey) view.select([]);
  }

  const named = hover && subject.named(hover.key);

  return (
    <div ref={holder} className="relative min-h-0 flex-1 overflow-hidden" data-testid="stage">
      <canvas ref={under} className="absolute inset-0 h-full w-full" aria-hidden />
      <canvas
        ref={canvas}
        className="absolute inset-0 h-full w-full"
        style={{ cursor: view.measure ? 'crosshair' : hover ? 'pointer' : 'default' }}
        onPointerMove={move}
        onPointerDown={down}
        onPointerUp={up}
        onPointerLeave={() => setHover(null)}
        onClick={click}
        onDoubleClick={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        aria-label="3D model"
      />
      <StoreyLadder index={index} heights={subject.heights} />
      <div className="absolute top-2 right-2 flex gap-1">
        {VIEWS.map(([label, title, dir]) => (
          <button
            key={label}
            className="btn !px-2"
            title={title}
            onClick={() => scene?.viewFrom(...dir)}
          >
            {label}
          </button>
        ))}
      </div>
      <div className="absolute top-2 left-[120px] flex gap-1">
        <button
          className="btn"
          disabled={!view.selection.length}
          title="Show only the selection (I)"
          onClick={isolate}
        >
          <Focus size={14} /> Only this
        </button>
        <button
          className="btn"
          disabled={!view.selection.length}
          title="Hide the selection (H)"
          onClick={hide}
        >
          <EyeOff size={14} /> Hide
        </button>
        <button
          className="btn"
          disabled={!view.isolated && !view.hidden.size && !view.cut && view.sweep == null}
          title="Show everything (A)"
          onClick={showAll}
        >
          <Eye size={14} /> Show all
        </button>
        <button
          className="btn"
          title="Frame the selection, or everything (F, 0)"
          onClick={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        >
          <Frame size={14} /> Frame
        </button>
        <button
          className={`btn ${view.measure ? 'btn-main' : ''}`}
          aria-pressed={!!view.measure}
          title="Measure distance, height or area (M)"
          onClick={() => view.set({ measure: view.measure ? null : 'distance' })}
        >
          <Ruler size={14} /> Measure
        </button>
      </div>
      {view.measure && scene && (
        <Measure
          scene={scene}
          size={size}
          points={points}
          snap={snap}
          clear={() => setPoints([])}
        />
      )}
      <Legend
        legend={subject.legend}
        elements={elements}
        revised={index.model.delivery.revision > 1}
      />
      <NorthRose
        petals={index.model.glazing}
        heading={heading + (index.model.northAzimuth ?? 0)}
        known={index.model.northAzimuth != null}
      />
      {band && (
        <div
          className="pointer-events-none absolute border border-kelp bg-kelp/10"
          style={{
            left: Math.min(band.x0, band.x1),
            top: Math.min(band.y0, band.y1),
            width: Math.abs(band.x1 - band.x0),
            height: Math.abs(band.y1 - band.y0),
          }}
        />
      )}
      {hover && named && (
        <div
          className="pointer-events-none absolute z-10 rounded-sm border border-line bg-panel px-2 py-0.5 text-sm whitespace-nowrap"
          style={{ left: Math.min(hover.x + 14, size[0] - 260), top: Math.max(4, hover.y - 28) }}
          data-testid="hover"
        >
          {named}
        </div>
      )}
    </div>
  );
}

function evidenceBox(f: Finding): THREE.Box3 {
  const box = new THREE.Box3();
  for (const r of [...f.evidence.areas, ...f.evidence.lines, ...f.evidence.points])
    for (let i = 0; i < r.length; i += 3)
      box.expandByPoint(new THREE.Vector3(r[i], r[i + 1], r[i + 2]));
  return box;
}

/** Where the outer side of a single surface, or of an opening's, looks; null for anything else. */
function outerSide(index: ModelIndex, keys: string[]): THREE.Vector3 | null {
  const of = new Set(keys.map((k) => index.openings.get(k)?.surface ?? k));
  const s = of.size === 1 ? index.surfaces.get([...of][0]) : undefined;
  if (!s || s.spaces.length !== 1 || s.rings.length === 0) return null;
  const { n } = axes(ringPoints(s.rings[0]));
  return new THREE.Vector3(n.x, n.y, n.z);
}

/** A plane through a box, from its far end (0) to beyond its near end (1), along its longer side. */
function sweepPlane(box: THREE.Box3, share: number): THREE.Plane {
  const size = box.getSize(new THREE.Vector3());
  const alongX = size.x >= size.y;
  const lo = alongX ? box.min.x : box.min.y;
  const reach = alongX ? size.x : size.y;
  const normal = alongX ? new THREE.Vector3(-1, 0, 0) : new THREE.Vector3(0, -1, 0);
  return new THREE.Plane(normal, lo - 0.05 + (reach + 0.1) * share);
}
