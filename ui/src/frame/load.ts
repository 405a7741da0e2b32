/** What is loaded when it is opened. */
export const load = {
  intake: () => import('../intake/Intake'),
  drawing: () => import('../drawing/DrawingWork'),
  newDrawing: () => import('../drawing/NewDrawing'),
  block: () => import('../drawing/DrawBlock'),
  handover: () => import('../handover/HandoverPanel'),
  scope: () => import('../scope/ScopePanel'),
  scopeDossier: () => import('../scope/ScopeDossier'),
  estimate: () => import('../estimate/EstimateWork'),
  thermal: () => import('../thermal/ThermalSheet'),
  sheet: () => import('./Sheet'),
  stage: () => import('../stage/Stage'),
  workbench: () => import('./Workbench'),
};

/** Fetches the rest once the page is idle, so that going to another workspace does not wait. */
export function loadTheRest(): () => void {
  const all = () => Object.values(load).forEach((l) => void l().catch(() => undefined));
  if (!('requestIdleCallback' in window)) {
    const t = setTimeout(all, 2000);
    return () => clearTimeout(t);
  }
  const id = requestIdleCallback(all, { timeout: 5000 });
  return () => cancelIdleCallback(id);
}
