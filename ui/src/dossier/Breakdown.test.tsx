// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { model } from '../model/testModel';
import { answers, eachAnew, show } from '../shared/testPage';
import { Breakdown } from './Breakdown';

eachAnew();

const step = (what: string, more: Record<string, unknown> = {}) => ({
  what,
  thickness: null,
  conductivity: null,
  share: 1,
  resistance: 0.04,
  clause: 'ISO 6946, 6.8',
  ...more,
});

const ANSWER = {
  construction: 'Cavity wall',
  stated: null,
  counts: 0.31,
  breakdown: {
    steps: [
      step('Air outside (Rse)'),
      step('Brick', { thickness: 0.1, conductivity: 0.8, resistance: 0.125 }),
      step('Timber', { thickness: 0.1, conductivity: 0.13, share: 0.15, resistance: 0.77 }),
      step('Void', { resistance: null }),
    ],
    resistance: 3.2258,
    uValue: 0.31,
    upper: null,
    lower: null,
    assumptions: ['Void: taken for an air layer.'],
  },
};

function shown(answer: unknown, units: 'SI' | 'IP' = 'SI') {
  answers({ 'GET /api/deliveries/d/thermal/breakdown?object=s1': answer });
  return show(<Breakdown model={model({})} object="s1" />, { units });
}

const cells = async (what: RegExp) =>
  [...((await screen.findByText(what)).closest('tr')?.cells ?? [])].map((c) => c.textContent);

describe('how a U-value comes about', () => {
  it('is told resistance by resistance', async () => {
    shown(ANSWER);
    expect(screen.getByText('Working it out …')).toBeTruthy();
    expect((await cells(/^Brick/)).slice(1)).toEqual(['100', '0.8', '0.125']);
    expect((await cells(/^Timber/))[0]).toContain('(15 %)');
    expect((await cells(/^Void(?!:)/))[3]).toBe('?');
    const text = screen.getByTestId('breakdown').textContent;
    expect(text).toContain('3.23 m²K/W');
    expect(text).toContain('0.310 W/m²K');
    expect(text).toContain('Void: taken for an air layer.');
    expect(text).not.toContain('Upper and lower limit');
    expect(text).not.toContain('Stated');
    expect(text).not.toContain('With the ground');
  });

  it('tells limits, what is stated beside it, and the ground', async () => {
    shown({
      ...ANSWER,
      stated: 0.25,
      counts: 0.18,
      breakdown: { ...ANSWER.breakdown, upper: 3.4, lower: 3.1 },
    });
    const text = (await screen.findByTestId('breakdown')).textContent;
    expect(text).toContain('3.4 / 3.1');
    expect(text).toContain('0.250 W/m²K (-19 %)');
    expect(text).toContain('With the ground0.18 W/m²K');
  });

  it('says what is not known', async () => {
    shown({ ...ANSWER, breakdown: { ...ANSWER.breakdown, resistance: null, uValue: null } });
    const text = (await screen.findByTestId('breakdown')).textContent;
    expect(text).toContain('Total resistancenot known');
    expect(text).toContain('U-value of the layersnot known');
  });

  it('in inches and Btu where the project has them', async () => {
    shown(ANSWER, 'IP');
    expect((await cells(/^Brick/)).slice(1)).toEqual(['3.94', '5.55', '0.71']);
    expect(screen.getByText('Btu in/(h ft² F)')).toBeTruthy();
  });

  it('is nothing where there is none', async () => {
    shown(new Error('It has no construction.'));
    await screen.findByTestId('address');
    await new Promise((done) => setTimeout(done, 50));
    expect(screen.queryByText('U-value, outside to inside')).toBeNull();
  });
});
