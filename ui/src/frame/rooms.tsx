import { lazy } from 'react';
import { load } from './load';

export const Intake = lazy(() => load.intake().then((m) => ({ default: m.Intake })));
export const DrawingWork = lazy(() => load.drawing().then((m) => ({ default: m.DrawingWork })));
export const NewDrawing = lazy(() => load.newDrawing().then((m) => ({ default: m.NewDrawing })));
export const DrawBlock = lazy(() => load.block().then((m) => ({ default: m.DrawBlock })));
export const HandoverPanel = lazy(() =>
  load.handover().then((m) => ({ default: m.HandoverPanel })),
);
export const ScopePanel = lazy(() => load.scope().then((m) => ({ default: m.ScopePanel })));
export const ScopeDossier = lazy(() =>
  load.scopeDossier().then((m) => ({ default: m.ScopeDossier })),
);
export const EstimateWork = lazy(() => load.estimate().then((m) => ({ default: m.EstimateWork })));
export const ThermalSheet = lazy(() => load.thermal().then((m) => ({ default: m.ThermalSheet })));
export const Sheet = lazy(() => load.sheet().then((m) => ({ default: m.Sheet })));
export const Stage = lazy(() => load.stage().then((m) => ({ default: m.Stage })));
export const Workbench = lazy(() => load.workbench().then((m) => ({ default: m.Workbench })));
