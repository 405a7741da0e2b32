// @vitest-environment happy-dom
import { act, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useLayout } from '../model/layout';
import { indexModel } from '../model/model';
import { useView } from '../model/state';
import { model } from '../model/testModel';
import { ArrangedContext, useArranged } from '../shared/arrangement';
import { eachAnew, show } from '../shared/testPage';
import { PATTERNS } from './drawing';
import { hatch } from './hatch';
import { Legend } from './Legend';
import { ScaleBar } from './ScaleBar';
import { StageTools } from './StageTools';
import { StoreyLadder } from './StoreyLadder';
import type { LegendEntry } from './subject';

eachAnew();
beforeEach(() => {
  useLayout.setState(useLayout.getInitialState());
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
});

const entry = (key: string, more: Partial<LegendEntry> = {}): LegendEntry => ({
  key,
  label: key,
  colour: '#888888',
  opacity: 1,
  dashed: false,
  pattern: 'plain',
  count: '3',
  ...more,
});

describe('the legend', () => {
  const legend = {
    title: 'Other side',
    by: 'exposure' as const,
    entries: [entry('Outdoor air'), entry('Ground', { pattern: 'slant' })],
  };

  it('is a filter that counts', async () => {
    const { user } = show(<Legend legend={legend} elements={false} revised={false} />);
    const ground = screen.getByRole('button', { name: /Ground/ });
    expect(ground.textContent).toContain('3');
    await user.click(ground);
    expect([...useView.getState().groupsOff]).toEqual(['Ground']);
    expect(ground.getAttribute('aria-pressed')).toBe('false');
    await user.click(ground);
    expect(useView.getState().groupsOff.size).toBe(0);
  });

  it('has a hatch of its own for each pattern', () => {
    const all = PATTERNS.map(hatch);
    expect(new Set(all).size).toBe(PATTERNS.length);
    expect(hatch('plain')).toBeUndefined();
    expect(hatch('slant')).toContain('45deg');
  });

  it('folds to what the colours tell', async () => {
    const { user } = show(<Legend legend={legend} elements revised={false} />);
    await user.click(screen.getByTitle('Fold the legend'));
    expect(screen.queryByRole('button', { name: /Ground/ })).toBeNull();
    expect(screen.getByTestId('colour-by')).toBeTruthy();
    expect(useLayout.getState().legendFolded).toBe(true);
  });

  it('offers the colours of a revision only where there is one before', () => {
    const { rerender } = show(<Legend legend={legend} elements={false} revised={false} />);
    expect(screen.queryByRole('option', { name: 'Since the revision before' })).toBeNull();
    rerender(<></>);
    show(<Legend legend={legend} elements={false} revised />);
    expect(screen.getByRole('option', { name: 'Since the revision before' })).toBeTruthy();
  });
});

describe('the tools of the stage', () => {
  it('can only do what there is to do', () => {
    show(<StageTools scene={null} />);
    const disabled = (name: string) =>
      (screen.getByRole('button', { name }) as HTMLButtonElement).disabled;
    expect(['Only this', 'Hide', 'Show all', 'Frame', 'Measure'].map(disabled)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ]);
    act(() => useView.getState().select(['s1']));
    expect(['Only this', 'Hide'].map(disabled)).toEqual([false, false]);
    act(() => useView.setState({ cut: [0, 3] }));
    expect(disabled('Show all')).toBe(false);
  });

  it('turns measuring on and off', async () => {
    const { user } = show(<StageTools scene={null} />);
    await user.click(screen.getByRole('button', { name: 'Measure' }));
    expect(useView.getState().measure).toBe('distance');
    await user.click(screen.getByRole('button', { name: 'Measure' }));
    expect(useView.getState().measure).toBeNull();
  });

  it('gives the room to the other part, and says which', async () => {
    const turn = vi.fn();
    function Arranged({ lead }: { lead: 'model' | 'work' }) {
      return (
        <ArrangedContext value={{ ...useArranged(), lead, turn }}>
          <StageTools scene={null} />
        </ArrangedContext>
      );
    }
    const { user, rerender } = show(<Arranged lead="model" />);
    await user.click(screen.getByRole('button', { name: /Give the room to the tables/ }));
    expect(turn).toHaveBeenCalledOnce();
    rerender(<></>);
    show(<Arranged lead="work" />);
    expect(screen.getByRole('button', { name: /Bring the model forward/ })).toBeTruthy();
  });
});

describe('the storeys', () => {
  const storeys = [
    { key: 'g', name: 'Ground floor', level: 0 },
    { key: 'u', name: 'Upper floor', level: 3 },
  ];
  const index = indexModel({ ...model({}), storeys: storeys as never });
  const ladder = () => show(<StoreyLadder index={index} heights={[0, 6]} />);

  it('are shown one at a time, and all again', async () => {
    const { user } = ladder();
    const ground = screen.getByRole('button', { name: 'Ground floor: show only this storey' });
    await user.click(ground);
    expect(useView.getState().cut).toEqual([-0.05, 2.95]);
    await user.click(ground);
    expect(useView.getState().cut).toBeNull();
  });

  it('are cut by two handles, by keyboard too', async () => {
    const { user } = ladder();
    const upper = screen.getByRole('slider', { name: 'Upper cut' });
    expect(upper.getAttribute('aria-valuetext')).toBe('6.30 m');
    upper.focus();
    await user.keyboard('{ArrowDown}{ArrowDown}');
    const cut = useView.getState().cut!;
    expect(cut[1]).toBeCloseTo(6.1);
    expect(cut[0]).toBeCloseTo(-0.3);
    await user.keyboard('{ArrowUp}{ArrowUp}{ArrowUp}');
    expect(useView.getState().cut).toBeNull();
  });

  it('are pulled apart and put together', async () => {
    const { user } = ladder();
    await user.click(screen.getByTitle('Pull the storeys apart'));
    expect(useView.getState().apart).toBe(true);
    await user.click(screen.getByTitle('Put the storeys together'));
    expect(useView.getState().apart).toBe(false);
  });

  it('fold to their marks', async () => {
    const { user } = ladder();
    expect(screen.getByText('Ground floor')).toBeTruthy();
    await user.click(screen.getByTitle('Fold the storeys'));
    expect(screen.queryByText('Ground floor')).toBeNull();
    expect(screen.getByRole('button', { name: /Ground floor/ })).toBeTruthy();
  });
});

describe('the scale', () => {
  it('is a round length in the units of the project', () => {
    show(<ScaleBar metresPerPixel={0.1} />);
    expect(screen.getByTestId('scale').textContent).toBe('10 m');
  });

  it('is in feet where the project is', () => {
    show(<ScaleBar metresPerPixel={0.1} />, { units: 'IP' });
    expect(screen.getByTestId('scale').textContent).toBe('20 ft');
  });
});
