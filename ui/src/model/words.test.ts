import { afterEach, describe, expect, it } from 'vitest';
import * as words from './words';
import {
  EXPOSURES,
  SEVERITY_COLOUR,
  areaText,
  areaValue,
  bytes,
  compass,
  count,
  lengthText,
  measured,
  facing,
  showIn,
  uValueText,
  unit,
  volumeText,
  said,
} from './words';

describe('figures', () => {
  it('never show more digits than the tolerance supports', () => {
    expect(measured(20.4, 'm2')).toBe('20.40 m²');
    expect(measured(0.00071, 'm2')).toBe('0.0007 m²');
    expect(measured(0.0600001, 'm')).toBe('0.060 m');
    expect(measured(180, 'deg')).toBe('180.0 °');
    expect(measured(2, 'count')).toBe('2');
    expect(measured(5.04, '%')).toBe('5.04 %');
  });

  it('say that there is none', () => {
    expect(measured(null, 'm')).toBe('–');
    expect(measured(undefined, 'm')).toBe('–');
  });

  it('write sizes of files', () => {
    expect(bytes(0)).toBe('0 B');
    expect(bytes(128_271)).toBe('128 kB');
    expect(bytes(4_065_749)).toBe('4.1 MB');
  });

  it('count in words', () => {
    expect(count(1, 'blocker')).toBe('1 blocker');
    expect(count(0, 'blocker')).toBe('0 blockers');
    expect(count(2, 'new one')).toBe('2 new ones');
  });

  it('keep a unit they do not know', () => {
    expect(unit('W/m2K')).toBe('W/m2K');
  });
});

describe('facing', () => {
  it('names the eight quarters', () => {
    expect([0, 45, 90, 135, 180, 225, 270, 315, 359].map(compass)).toEqual([
      'N',
      'NE',
      'E',
      'SE',
      'S',
      'SW',
      'W',
      'NW',
      'N',
    ]);
  });

  it('is none for what lies level', () => {
    expect(facing(null)).toBe('–');
    expect(facing(192)).toBe('192.0 S');
  });
});

describe('colours', () => {
  it('are the ones the design states', () => {
    expect(Object.fromEntries(EXPOSURES.map((e) => [e.key, e.colour]))).toEqual({
      outdoor: '#C4622D',
      ground: '#6A4C93',
      space: '#8A949B',
      adiabatic: '#B59F5B',
      none: '#FFFFFF',
      shade: '#40525B',
      unresolved: '#C2185B',
    });
    expect(SEVERITY_COLOUR.blocker).toBe('#9B1C31');
  });

  it('are readable: severities stand out from the panel', () => {
    for (const colour of Object.values(SEVERITY_COLOUR))
      expect(contrast(colour, '#FFFFFF')).toBeGreaterThan(3);
  });
});

/** Contrast ratio by WCAG 2.1. */
function contrast(a: string, b: string): number {
  const light = (hex: string) => {
    const [r, g, bl] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl;
  };
  const [x, y] = [light(a), light(b)].sort((p, q) => q - p);
  return (x + 0.05) / (y + 0.05);
}

describe('feet and inches', () => {
  afterEach(() => showIn('SI'));

  it('shows areas, volumes, lengths and U-values in IP', () => {
    showIn('IP');
    expect(areaText(100)).toBe('1076.4 ft²');
    expect(volumeText(10)).toBe('353.1 ft³');
    expect(lengthText(3.048)).toBe('10 ft 0 in');
    expect(lengthText(3.2131)).toBe('10 ft 6 1/2 in');
    expect(lengthText(-0.3048)).toBe('−1 ft 0 in');
    expect(uValueText(5.678263)).toBe('1.00 Btu/(h ft² F)');
    expect(measured(2, 'm2')).toBe('21.5 ft²');
    expect(areaValue(1)).toBeCloseTo(10.7639, 4);
  });

  it('shows SI unless told otherwise', () => {
    expect(areaText(100)).toBe('100.00 m²');
    expect(lengthText(3.2)).toBe('3.200 m');
    expect(uValueText(0.2341)).toBe('0.234 W/m²K');
  });
});

describe('imperial units', () => {
  afterEach(() => showIn('SI'));

  // exact factors of 1 ft = 0.3048 m, 1 lb = 0.45359237 kg, 1 Btu/lb = 2326 J/kg, to 12 digits
  const FACTORS: [keyof typeof words, number, number][] = [
    ['toUValue', 1, 0.176110183682306],
    ['fromUValue', 1, 5.67826334111349],
    ['toResistance', 1, 5.67826334111349],
    ['fromResistance', 1, 0.176110183682306],
    ['toConductivity', 1, 6.93347179851598],
    ['fromConductivity', 1, 0.144227888864283],
    ['toPsi', 1.73073466637139, 1],
    ['fromPsi', 1, 1.73073466637139],
    ['toDensity', 1, 0.0624279605761446],
    ['fromDensity', 1, 16.0184633739601],
    ['toHeat', 4186.8, 1],
    ['fromHeat', 1, 4186.8],
    ['toPowerDensity', 1, 0.09290304],
    ['fromPowerDensity', 1, 10.7639104167097],
    ['fromArea', 1, 0.09290304],
    ['toLoss', 1, 3.41214163312794 / 1.8],
    ['toThickness', 0.0254, 1],
    ['flow', 1, 2.11888000328932],
    ['fromFlow', 1, 0.4719474432],
    ['flowPerArea', 1, 0.196850393700787],
    ['fromFlowPerArea', 1, 5.08],
    ['areaValue', 0.09290304, 1],
    ['volumeValue', 0.028316846592, 1],
  ];

  it('are those of the exact factors', () => {
    showIn('IP');
    for (const [name, si, ip] of FACTORS) {
      const to = words[name] as (v: number) => number;
      expect(to(si) / ip, name).toBeCloseTo(1, 11);
    }
  });

  it('of temperatures have their offset', () => {
    showIn('IP');
    for (const [c, f] of [
      [-40, -40],
      [20, 68],
      [26, 78.8],
      [0, 32],
    ]) {
      expect(words.toTemperature(c)).toBeCloseTo(f, 12);
      expect(words.fromTemperature(f)).toBeCloseTo(c, 12);
    }
  });

  it('leave SI as it is', () => {
    for (const [name] of FACTORS) {
      if (name.includes('Thickness')) continue;
      expect((words[name] as (v: number) => number)(3), name).toBe(3);
    }
  });
});

describe('sentences of the server', () => {
  afterEach(() => showIn('SI'));

  it('stay as they are in SI', () => {
    expect(said('a hole of 3.42 m², 12.5 mm wide')).toBe('a hole of 3.42 m², 12.5 mm wide');
  });

  it.each([
    [
      'a hole of 3.42 m², with open edges of 7.400 m.',
      'a hole of 36.8 ft², with open edges of 24.28 ft.',
    ],
    [
      'is only 2.0 mm thick and has 0.001 m²K/W',
      'is only 0.0787 in thick and has 0.00568 h ft² F/Btu',
    ],
    ['stated as 0.26 W/m²K; 3 layers', 'stated as 0.0458 Btu/(h ft² F); 3 layers'],
    ['from 0.260 W/m²K to 0.268 W/m²K', 'from 0.0458 Btu/(h ft² F) to 0.0472 Btu/(h ft² F)'],
    ['heated to 20 °C', 'heated to 68 °F'],
    ['1,250 m³ of air', '44140 ft³ of air'],
    ['from z = 2.620 m to 3.020 m.', 'from z = 8.596 ft to 9.908 ft.'],
    ['3 mistakes in wall-2 m, #12 m and A4.5 mm', '3 mistakes in wall-2 m, #12 m and A4.5 mm'],
    ['conducts 0.04 W/mK', 'conducts 0.277 Btu in/(h ft² F)'],
  ])('%s', (si, ip) => {
    showIn('IP');
    expect(said(si)).toBe(ip);
  });

  it('figures of findings follow too', () => {
    showIn('IP');
    expect(measured(0.26, 'W/m2K')).toBe('0.0458 Btu/(h ft² F)');
    expect(measured(2300, 'kg/m3')).toBe('144 lb/ft³');
  });
});

describe('limits and heights', () => {
  afterEach(() => showIn('SI'));

  it('are as they are in SI', () => {
    showIn('SI');
    expect(words.inUnit('m')).toMatchObject({ name: 'm' });
    expect(words.inUnit('m').to(0.01)).toBe(0.01);
    expect(words.levelText(3.35)).toBe('3.35 m');
    expect(words.distanceText(12.3)).toBe('12 km');
  });

  it('come back from imperial units as they went', () => {
    showIn('IP');
    for (const u of ['m', 'mm', 'm2', 'm3', 'W/m²K', 'J/kgK', 'deg', '']) {
      const { to, from } = words.inUnit(u);
      expect(from(to(0.0123))).toBeCloseTo(0.0123, 12);
    }
    expect(words.inUnit('m').name).toBe('ft');
    expect(words.inUnit('deg').name).toBe('°');
    expect(words.levelText(3.048)).toBe('10 ft 0 in');
    expect(words.distanceText(160.9344)).toBe('100 mi');
    expect(said('139 kJ/m²K')).toBe('6.8 Btu/(ft² F)');
  });
});
