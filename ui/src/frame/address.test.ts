import { describe, expect, it } from 'vitest';
import { fromAddress, tableOf, toAddress } from './address';
import { useView } from '../model/state';

const view = (change = {}) => ({ ...useView.getInitialState(), ...change });
const none = new URLSearchParams();

describe('the address', () => {
  it('comes back as the same view', () => {
    const v = view({
      tab: 'surfaces',
      selection: ['su-1', 'su 2&3'],
      finding: 'GEO-301 a/b',
      filters: { surfaces: { name: 'a=b.c', area: '> 2' }, spaces: { name: '' } },
    });
    const text = toAddress(v, 'envelope', new URLSearchParams('delivery=d&on=old'));
    expect(text.startsWith('?delivery=d&tab=surfaces')).toBe(true);
    expect(fromAddress(new URLSearchParams(text), 'envelope')).toEqual({
      tab: 'surfaces',
      selection: ['su-1', 'su 2&3'],
      finding: 'GEO-301 a/b',
      group: null,
      groupBy: 'cause',
      filters: { surfaces: { name: 'a=b.c', area: '> 2' } },
    });
  });

  it('has the table of its workspace, and none where there are none', () => {
    const v = view({ tab: 'log', scopeTab: 'values', thermalTab: 'losses' });
    expect(toAddress(v, 'findings', none)).toBe('?tab=log');
    expect(toAddress(v, 'scope', none)).toBe('?tab=values');
    expect(toAddress(v, 'thermal', none)).toBe('?tab=losses');
    expect(toAddress(v, 'handover', none)).toBe('');
    expect(fromAddress(new URLSearchParams('tab=values'), 'scope').scopeTab).toBe('values');
  });

  it('knows no table that the workspace does not have', () => {
    expect(fromAddress(new URLSearchParams('tab=attic'), 'findings').tab).toBeUndefined();
    expect(fromAddress(new URLSearchParams('tab=log'), 'scope').scopeTab).toBeUndefined();
  });

  it('leaves out a selection that would make it too long to be passed on', () => {
    const many = Array.from({ length: 60 }, (_, i) => `su-${i}`);
    expect(toAddress(view({ selection: many }), 'handover', none)).toBe('');
  });

  it('of a workspace begins with the table that it is about', () => {
    expect(tableOf('findings', 'spaces')).toBe('findings');
    expect(tableOf('envelope', 'findings')).toBe('spaces');
    expect(tableOf('envelope', 'openings')).toBe('openings');
  });
});
