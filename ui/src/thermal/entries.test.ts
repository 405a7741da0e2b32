import { describe, expect, it } from 'vitest';
import { unitsOf } from '../model/units';
import { airText, gainValues, zoneValues } from './conditions';
import { given, toNumber } from './entries';

const SI = unitsOf('SI');
const IP = unitsOf('IP');

describe('typed values', () => {
  it('are numbers with a point or a comma, or nothing', () => {
    expect(toNumber('0,5')).toBe(0.5);
    expect(toNumber('')).toBeNaN();
    expect(toNumber('wide')).toBeNaN();
    expect(given('')).toBeNull();
    expect(given('100', (v) => v / 1000)).toBe(0.1);
    expect(given(' ')).toBeNull();
    expect(given('2,5')).toBe(2.5);
  });

  it('of a zone are all numbers or refused', () => {
    const empty = {
      heat: '',
      cool: '',
      perPerson: '',
      perArea: '',
      total: '',
      least: '',
      most: '',
    };
    expect(zoneValues(SI, { ...empty, heat: '20' })).toMatchObject({
      heating: 20,
      cooling: null,
      air: { perPerson: null },
    });
    expect(zoneValues(SI, { ...empty, perArea: 'much' })).toBeNull();
    expect(zoneValues(IP, { ...empty, heat: '68', total: '100' })).toMatchObject({
      heating: 20,
      air: { total: expect.closeTo(47.19474432, 9) as number },
    });
  });

  it('of people, light and equipment are SI whatever is shown', () => {
    const empty = { people: '', area: '', sensible: '', latent: '', light: '', equipment: '' };
    expect(gainValues(SI, { ...empty, light: '8' })).toMatchObject({
      lighting: 8,
      people: null,
    });
    expect(gainValues(SI, { ...empty, light: 'bright' })).toBeNull();
    expect(gainValues(IP, { ...empty, light: '1' })!.lighting).toBeCloseTo(10.7639104167, 9);
    expect(gainValues(IP, { ...empty, area: '100' })!.areaPerPerson).toBeCloseTo(9.290304, 9);
  });

  it('outdoor air is told in short', () => {
    expect(airText(SI, undefined)).toBe('');
    expect(airText(SI, { perPerson: 7, perArea: 0.7 })).toBe('7 l/s a person + 0.7 l/(s·m²)');
  });
});
