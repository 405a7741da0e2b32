// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { firstBlock, type PlanDoc } from '../model/plan';
import { answers, eachAnew, show } from '../shared/testPage';
import { BuildingFields } from './BuildingFields';
import { prepared } from './edits';
import type { Drawn } from './useDrawing';

eachAnew();

const FIGURES = {
  spaces: 10,
  floorArea: 576,
  volume: 1958.4,
  facades: [
    { facing: 'north', area: 163.2, glazed: 0.3 },
    { facing: 'east', area: 0, glazed: 0 },
  ],
  roofArea: 288,
  glazedRoof: 0,
};

function Shown({ said }: { said: string[] }) {
  const [doc, setDoc] = useState<PlanDoc>(() => prepared(firstBlock('Store')));
  const drawn: Drawn = {
    doc,
    sheet: null,
    waiting: false,
    project: 'p',
    delivery: 'd',
    act: (make) => {
      const [next, says] = make(doc);
      said.push(says);
      setDoc(next);
    },
  };
  return <BuildingFields drawn={drawn} />;
}

describe('a drawn building by numbers', () => {
  it('shows what it comes to while it is typed, and draws it when the field is left', async () => {
    const asked = answers({
      'POST /api/plans/try': { figures: FIGURES, notes: ['a note', 'a note'] },
    });
    const said: string[] = [];
    const { user } = show(<Shown said={said} />);
    expect(await screen.findByText('576.00 m²')).toBeTruthy();
    expect(screen.getByText(/30\.0 % glazed/)).toBeTruthy();
    expect(screen.getAllByText('a note.')).toHaveLength(1);
    expect(screen.queryByText('Walls facing east')).toBeNull();

    const width = screen.getByLabelText<HTMLInputElement>(/Width, along x/);
    await user.clear(width);
    expect(width.getAttribute('aria-invalid')).toBe('true');
    await user.type(width, '30,5');
    await waitFor(() =>
      expect(asked.some((a) => JSON.stringify(a.body).includes('[30.5,12]'))).toBe(true),
    );
    expect(said).toEqual([]);
    await user.tab();
    expect(said).toEqual(['Draws anew: width.']);
    await user.selectOptions(screen.getAllByLabelText('Form')[0], 'gable');
    expect(said).toEqual(['Draws anew: width.', 'Draws anew: roof.']);
    // Enter takes it, Escape leaves it
    const depth = screen.getByLabelText<HTMLInputElement>(/Depth, along y/);
    await user.clear(depth);
    await user.type(depth, '9{Enter}');
    expect(said.at(-1)).toBe('Draws anew: depth.');
    await user.clear(depth);
    await user.type(depth, '7{Escape}');
    await user.tab();
    expect(said).toHaveLength(3);
  });
});
