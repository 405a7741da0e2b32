import { describe, expect, it } from 'vitest';
import { showIn } from '../model/words';
import { airText, gainValues, optional, zoneValues } from './conditions';
import { given, toNumber } from './entries';

describe('typed values', () => {
  it('are numbers with a point or a comma, or nothing', () => {
    expect(toNumber('0,5')).toBe(0.5);
    expect(toNumber('')).toBeNaN();
    expect(toNumber('wide')).toBeNaN();
    expect(given('')).toBeNull();
    expect(given('100', (v) => v / 1000)).toBe(0.1);
    expect(optional(' ')).toBeNull();
    expect(optional('2,5')).toBe(2.5);
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
    expect(zoneValues({ ...empty, heat: '20' })).toMatchObject({
      heating: 20,
      cooling: null,
      air: { perPerson: null },
    });
    expect(zoneValues({ ...empty, perArea: 'much' })).toBeNull();
    showIn('IP');
    try {
      expect(zoneValues({ ...empty, heat: '68', total: '100' })).toMatchObject({
        heating: 20,
        air: { total: 47.19474432 },
      });
    } finally {
      showIn('SI');
    }
  });

  it('of people, light and equipment are SI whatever is shown', () => {
    const empty = { people: '', area: '', sensible: '', latent: '', light: '', equipment: '' };
    expect(gainValues({ ...empty, light: '8' })).toMatchObject({ lighting: 8, people: null });
    expect(gainValues({ ...empty, light: 'bright' })).toBeNull();
    showIn('IP');
    try {
      expect(gainValues({ ...empty, light: '1' })!.lighting).toBeCloseTo(10.7639104167, 9);
      expect(gainValues({ ...empty, area: '100' })!.areaPerPerson).toBeCloseTo(9.290304, 9);
    } finally {
      showIn('SI');
    }
  });

  it('outdoor air is told in short', () => {
    expect(airText(undefined)).toBe('');
    expect(airText({ perPerson: 7, perArea: 0.7 })).toBe('7 l/s a person + 0.7 l/(s·m²)');
  });
});
