import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, ProblemError, type WindowDesign } from '../model/api';
import { figures, useUnits } from '../model/units';
import { useNumbers } from './useNumbers';

/** What is typed of a window, in the units shown, and what comes of it. */
export function useWindowDesign() {
  const units = useUnits();
  const [byPanes, setByPanes] = useState(true);
  const [gas, setGas] = useState<WindowDesign['glass']['gas']>('ARGON');
  const [frame, setFrame] = useState('');
  const {
    text: t,
    set,
    values: n,
    allNumbers,
    field,
  } = useNumbers(() => ({
    width: figures(units.thickness.to(1.23)),
    height: figures(units.thickness.to(1.48)),
    frame: figures(units.thickness.to(0.11)),
    mullion: figures(units.thickness.to(0.1)),
    lights: '1',
    uf: figures(units.uValue.to(1.4)),
    psi: figures(units.linear.to(0.08)),
    ug: figures(units.uValue.to(1.1)),
    panes: '2',
    pane: figures(units.thickness.to(0.004)),
    gap: figures(units.thickness.to(0.016)),
    filled: '90',
    emissivity: '0.03',
    g: '0.6',
    vt: '0.8',
    through: '0.45',
    absorbed: '0.28',
    absorbedInside: '0.05',
    frameSun: '0',
    shutter: '0',
    second: figures(units.uValue.to(2.8)),
    space: figures(units.resistance.to(0.17)),
  }));
  const [slope, setSlope] = useState<NonNullable<WindowDesign['slope']>>('UPRIGHT');
  const [bySun, setBySun] = useState(false);
  const [twice, setTwice] = useState(false);
  const design: WindowDesign = {
    width: units.thickness.from(n.width),
    height: units.thickness.from(n.height),
    frame: units.thickness.from(n.frame),
    mullion: units.thickness.from(n.mullion),
    lights: n.lights,
    glass: {
      uValue: byPanes ? null : units.uValue.from(n.ug),
      panes: n.panes,
      thickness: units.thickness.from(n.pane),
      gap: units.thickness.from(n.gap),
      gas,
      filled: n.filled / 100,
      emissivity: n.emissivity,
      solarHeatGain: n.g,
      visibleTransmittance: n.vt,
      sun:
        byPanes && bySun && n.panes <= 2
          ? { transmitted: n.through, outer: n.absorbed, inner: n.absorbedInside }
          : undefined,
    },
    frameUValue: units.uValue.from(n.uf),
    psi: units.linear.from(n.psi),
    slope: byPanes ? slope : undefined,
    frameAbsorption: n.frameSun || undefined,
    shutter: n.shutter ? units.resistance.from(n.shutter) : undefined,
    second: twice
      ? { uValue: units.uValue.from(n.second), space: units.resistance.from(n.space) }
      : undefined,
  };
  const numbers = allNumbers && Number.isInteger(n.lights) && Number.isInteger(n.panes);
  const { data, error } = useQuery({
    queryKey: ['window', design],
    queryFn: () => api.designWindow(design),
    enabled: numbers,
    retry: false,
    placeholderData: (before) => before,
  });
  return {
    text: t,
    set,
    values: n,
    field,
    numbers,
    byPanes,
    setByPanes,
    gas,
    setGas,
    frame,
    setFrame,
    slope,
    setSlope,
    bySun,
    setBySun,
    twice,
    setTwice,
    /** Nothing while it is refused. */
    data,
    refused: error instanceof ProblemError ? error.message : null,
  };
}

export type WindowForm = ReturnType<typeof useWindowDesign>;
