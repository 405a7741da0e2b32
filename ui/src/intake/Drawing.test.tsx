// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Edits } from '../model/useEdits';
import { firstBlock } from '../model/plan';
import { answers, eachAnew, show } from '../shared/testPage';
import { Drawing } from './Drawing';

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

function edits(done: (says: string) => void): Edits {
  const step = async (make: (id: string, version: number) => Promise<unknown>) => {
    await make('d', 7);
    done('made');
    return true;
  };
  return { busy: false, delivery: 'd', version: 7, scope: step } as unknown as Edits;
}

describe('a drawn building by numbers', () => {
  it('shows what it comes to and draws anew what was changed', async () => {
    const asked = answers({
      'GET /api/deliveries/d/plan': { version: 7, document: JSON.stringify(firstBlock('Store')) },
      'POST /api/plans/try': { figures: FIGURES, notes: ['a note', 'a note'] },
      'PUT /api/deliveries/d/plan': {},
    });
    const made: string[] = [];
    const { user } = show(<Drawing edits={edits((m) => made.push(m))} />);
    expect(await screen.findByText('576.00 m²')).toBeTruthy();
    expect(screen.getByText(/30\.0 % glazed/)).toBeTruthy();
    expect(screen.getAllByText('a note.')).toHaveLength(1);
    expect(screen.queryByText('Walls facing east')).toBeNull();
    const button = screen.getByText<HTMLButtonElement>('Draw anew');
    expect(button.disabled).toBe(true);

    const width = screen.getByLabelText<HTMLInputElement>(/Width, along x/);
    await user.clear(width);
    expect(width.getAttribute('aria-invalid')).toBe('true');
    await user.type(width, '30,5');
    await user.selectOptions(screen.getAllByLabelText('Form')[0], 'gable');
    await waitFor(() => expect(button.disabled).toBe(false));
    await user.click(button);
    await waitFor(() => expect(made).toEqual(['made']));
    const put = asked.find((a) => a.method === 'PUT')!;
    const body = put.body as { basedOn: number; document: string; says: string };
    expect(body).toMatchObject({ basedOn: 7, says: 'Draws anew: width, roof.' });
    expect(JSON.parse(body.document)).toMatchObject({ roofs: [{ kind: 'gable', ridge_deg: 90 }] });
    expect(body.document).toContain('[30.5,12]');
  });
});
