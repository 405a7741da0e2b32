import type { Finding } from './api';
import type { ModelIndex } from './model';
import type { GroupBy } from './state';
import { SEVERITIES } from './words';
import type { Checks } from './useChecks';

/** Findings that are shown together. */
export interface Group {
  key: string;
  title: string;
  severity: string;
  findings: Finding[];
  /** The finding that the others follow from. */
  cause: Finding | null;
}

const rank = (severity: string) => SEVERITIES.indexOf(severity as never);

export function isOpen(f: Finding): boolean {
  return !f.accepted?.holds;
}

/** Spaces that a finding is about. */
function spacesOf(index: ModelIndex, f: Finding): string[] {
  const out = new Set<string>();
  for (const o of f.objects) {
    if (index.spaces.has(o.key)) out.add(o.key);
    const opening = index.openings.get(o.key);
    const surface =
      index.surfaces.get(o.key) ??
      (opening?.surface ? index.surfaces.get(opening.surface) : undefined);
    for (const s of surface?.spaces ?? []) if (index.spaces.has(s)) out.add(s);
  }
  return [...out];
}

/** The groups of findings, the worst first; a finding of several spaces is in each of theirs. */
export function grouped(
  index: ModelIndex,
  findings: Finding[],
  by: GroupBy,
  checks: Checks,
): Group[] {
  const out = new Map<string, Group>();
  const add = (key: string, title: string, f: Finding) => {
    const g = out.get(key);
    if (!g) out.set(key, { key, title, severity: f.severity, findings: [f], cause: null });
    else {
      g.findings.push(f);
      if (rank(f.severity) < rank(g.severity)) g.severity = f.severity;
    }
  };
  if (by === 'cause') {
    const shown = new Set(findings.map((f) => f.id));
    for (const g of index.model.groups) {
      const list = g.members.flatMap((id) => {
        const f = index.findings.get(id);
        return f && shown.has(id) ? [f] : [];
      });
      if (list.length)
        out.set(g.key, {
          key: g.key,
          title: g.title,
          severity: g.severity,
          findings: list,
          cause: g.cause ? (index.findings.get(g.cause) ?? null) : null,
        });
    }
    return [...out.values()];
  }
  const storey = new Map(index.model.storeys.map((s) => [s.key, s.name || s.key]));
  for (const f of findings) {
    if (by === 'workspace') {
      const w = checks.get(f.code)?.workspace ?? '';
      add(w, w.charAt(0).toUpperCase() + w.slice(1), f);
    } else if (by === 'severity') add(f.severity, f.severity, f);
    else if (by === 'code') add(f.code, `${f.code}  ${checks.get(f.code)?.finds ?? ''}`, f);
    else {
      const spaces = spacesOf(index, f);
      if (!spaces.length) add('', by === 'space' ? 'No space' : 'No storey', f);
      const seen = new Set<string>();
      for (const k of spaces) {
        const s = index.spaces.get(k)!;
        const at = by === 'space' ? k : (s.storey ?? '');
        if (seen.has(at)) continue;
        seen.add(at);
        add(at, by === 'space' ? s.name : (storey.get(at) ?? 'No storey'), f);
      }
    }
  }
  const list = [...out.values()];
  if (by === 'severity') list.sort((a, b) => rank(a.severity) - rank(b.severity));
  else if (by === 'code') list.sort((a, b) => (a.key < b.key ? -1 : 1));
  else
    list.sort(
      (a, b) => rank(a.severity) - rank(b.severity) || b.findings.length - a.findings.length,
    );
  return list;
}
