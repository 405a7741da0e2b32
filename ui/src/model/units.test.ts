import { describe, expect, it } from 'vitest';
import { figures, symbol, unitsOf, type Measure, type Units } from './units';

const SI = unitsOf('SI');
const IP = unitsOf('IP');

describe('figures', () => {
  it('never show more digits than the tolerance supports', () => {
    expect(SI.measured(20.4, 'm2')).toBe('20.40 m²');
    expect(SI.measured(0.00071, 'm2')).toBe('0.0007 m²');
    expect(SI.measured(0.0600001, 'm')).toBe('0.060 m');
    expect(SI.measured(180, 'deg')).toBe('180.0 °');
    expect(SI.measured(2, 'count')).toBe('2');
    expect(SI.measured(5.04, '%')).toBe('5.04 %');
    expect(SI.measured(0.26, 'W/m2K')).toBe('0.26 W/m²K');
  });

  it('say that there is none', () => {
    expect(SI.measured(null, 'm')).toBe('–');
    expect(IP.measured(undefined, 'm')).toBe('–');
    expect(figures(null)).toBe('–');
  });

  it('have three digits and no exponent', () => {
    expect(figures(0.234567)).toBe('0.235');
    expect(figures(1234567)).toBe('1230000');
  });

  it('name units by their symbol, and keep one that is not known', () => {
    expect(['m2', 'm3', 'deg', 'count', 'W/m2K', 'm', 'furlong', ''].map(symbol)).toEqual([
      'm²',
      'm³',
      '°',
      '',
      'W/m²K',
      'm',
      'furlong',
      '',
    ]);
  });
});

describe('the system', () => {
  it('is SI unless a project says otherwise', () => {
    expect(unitsOf(undefined)).toBe(SI);
    expect(unitsOf(null).system).toBe('SI');
    expect(IP.system).toBe('IP');
  });

  it('shows areas, volumes, lengths and U-values in IP', () => {
    expect(IP.area.text(100)).toBe('1076.4 ft²');
    expect(IP.volume.text(10)).toBe('353.1 ft³');
    expect(IP.length.text(3.048)).toBe('10 ft 0 in');
    expect(IP.length.text(3.2131)).toBe('10 ft 6 1/2 in');
    expect(IP.length.text(-0.3048)).toBe('−1 ft 0 in');
    expect(IP.uValue.text(5.678263)).toBe('1.00 Btu/(h ft² F)');
    expect(IP.measured(2, 'm2')).toBe('21.5 ft²');
    expect(IP.measured(2, 'm3')).toBe('70.6 ft³');
    expect(IP.measured(0.3048, 'm')).toBe('1 ft 0 in');
    expect(IP.level(2.4384)).toBe('8 ft 0 in');
    expect(IP.distance.text(16.09344)).toBe('10 mi');
    expect(IP.speed.unit).toBe('ft/s');
  });

  it('shows SI as it is kept', () => {
    expect(SI.area.text(100)).toBe('100.00 m²');
    expect(SI.length.text(3.2)).toBe('3.200 m');
    expect(SI.uValue.text(0.2341)).toBe('0.234 W/m²K');
    expect(SI.level(3.35)).toBe('3.35 m');
    expect(SI.distance.text(12.3)).toBe('12 km');
    expect(SI.thickness.text(0.1)).toBe('100 mm');
  });
});

describe('imperial units', () => {
  // exact factors of 1 ft = 0.3048 m, 1 lb = 0.45359237 kg, 1 Btu/lb = 2326 J/kg, to 12 digits
  const FACTORS: [keyof Units, number, number][] = [
    ['uValue', 1, 0.176110183682306],
    ['resistance', 1, 5.67826334111349],
    ['conductivity', 1, 6.93347179851598],
    ['linear', 1.73073466637139, 1],
    ['density', 1, 0.0624279605761446],
    ['specificHeat', 4186.8, 1],
    ['powerDensity', 1, 0.09290304],
    ['area', 0.09290304, 1],
    ['volume', 0.028316846592, 1],
    ['length', 0.3048, 1],
    ['heatLoss', 1, 3.41214163312794 / 1.8],
    ['power', 1, 3.41214163312794],
    ['thickness', 0.0254, 1],
    ['airFlow', 1, 2.11888000328932],
    ['airFlowByArea', 1, 0.196850393700787],
    ['difference', 5, 9],
  ];

  it.each(FACTORS)('%s are those of the exact factors, both ways', (name, si, ip) => {
    const m = IP[name] as Measure;
    expect(m.to(si) / ip).toBeCloseTo(1, 11);
    expect(m.from(ip) / si).toBeCloseTo(1, 11);
  });

  it.each(FACTORS.filter(([name]) => name !== 'thickness'))('%s leave SI as it is', (name) => {
    const m = SI[name] as Measure;
    expect(m.to(3)).toBe(3);
    expect(m.from(3)).toBe(3);
  });

  it('of temperatures have their offset', () => {
    for (const [c, f] of [
      [-40, -40],
      [20, 68],
      [26, 78.8],
      [0, 32],
    ]) {
      expect(IP.temperature.to(c)).toBeCloseTo(f, 12);
      expect(IP.temperature.from(f)).toBeCloseTo(c, 12);
    }
  });
});

describe('sentences of the server', () => {
  it('stay as they are in SI', () => {
    expect(SI.said('a hole of 3.42 m², 12.5 mm wide')).toBe('a hole of 3.42 m², 12.5 mm wide');
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
    ['it differs by +0.0100 W/m²K', 'it differs by +0.00176 Btu/(h ft² F)'],
    ['heated to 20 °C', 'heated to 68 °F'],
    ['1,250 m³ of air', '44140 ft³ of air'],
    ['from z = 2.620 m to 3.020 m.', 'from z = 8.596 ft to 9.908 ft.'],
    ['3 mistakes in wall-2 m, #12 m and A4.5 mm', '3 mistakes in wall-2 m, #12 m and A4.5 mm'],
    ['conducts 0.04 W/mK', 'conducts 0.277 Btu in/(h ft² F)'],
    ['stores 204 kJ/m²K', 'stores 9.98 Btu/(ft² F)'],
    ['loses 12.5 W/K', 'loses 23.7 Btu/(h F)'],
    ['lies 20 km away', 'lies 12.4 mi away'],
  ])('%s', (si, ip) => {
    expect(IP.said(si)).toBe(ip);
  });

  it('figures of findings follow too', () => {
    expect(IP.measured(0.26, 'W/m2K')).toBe('0.0458 Btu/(h ft² F)');
    expect(IP.measured(2300, 'kg/m3')).toBe('144 lb/ft³');
    expect(IP.measured(5, '%')).toBe('5.00 %');
  });
});

describe('limits', () => {
  it('are as they are in SI', () => {
    expect(SI.of('m').unit).toBe('m');
    expect(SI.of('m').to(0.01)).toBe(0.01);
    expect(SI.of('W/m2K').unit).toBe('W/m²K');
  });

  it.each(['m', 'mm', 'm2', 'm3', 'W/m²K', 'J/kgK', '°C', 'deg', ''])(
    'come back from imperial units as they went: %s',
    (u) => {
      const { to, from } = IP.of(u);
      expect(from(to(0.0123))).toBeCloseTo(0.0123, 12);
    },
  );

  it('are named by the unit they are in', () => {
    expect(IP.of('m').unit).toBe('ft');
    expect(IP.of('deg').unit).toBe('°');
  });
});
