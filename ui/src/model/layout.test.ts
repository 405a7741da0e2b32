import { beforeEach, describe, expect, it } from 'vitest';
import { leadOf, sizeOf, turnLead, useLayout } from './layout';

beforeEach(() => useLayout.setState(useLayout.getInitialState()));

describe('how the page is arranged', () => {
  it('begins with what the work of a workspace needs', () => {
    const lead = (w: string) => leadOf(useLayout.getState(), w);
    expect(['envelope', 'findings'].map(lead)).toEqual(['model', 'model']);
    expect(['intake', 'scope', 'thermal', 'estimate', 'handover'].map(lead)).toEqual(
      Array(5).fill('work'),
    );
  });

  it('is turned round for one workspace alone, and back', () => {
    turnLead('scope');
    expect(leadOf(useLayout.getState(), 'scope')).toBe('model');
    expect(leadOf(useLayout.getState(), 'thermal')).toBe('work');
    turnLead('scope');
    expect(leadOf(useLayout.getState(), 'scope')).toBe('work');
  });

  it('has room for eight rows under the model in a window of 1280 by 800', () => {
    // tabs, head with filters, foot
    const rest = 31 + 45 + 26;
    expect(sizeOf('sheet', null, 800)).toBeGreaterThanOrEqual(rest + 8 * 26);
  });

  it('grows with the window, and keeps what was dragged within its bounds', () => {
    expect(sizeOf('side', null, 1280)).toBe(320);
    expect(sizeOf('side', null, 1920)).toBe(614);
    expect(sizeOf('side', null, 1700)).toBe(340);
    expect(sizeOf('side', 900, 1280)).toBe(640);
    expect(sizeOf('sheet', 10, 800)).toBe(120);
    expect(sizeOf('sheet', 5000, 800)).toBe(560);
  });
});
