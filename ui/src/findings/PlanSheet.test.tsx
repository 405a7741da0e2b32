// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { indexModel } from '../model/model';
import { model } from '../model/testModel';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { PlanSheet } from './PlanSheet';

eachAnew();

const step = (n: number, ...objects: string[]) => ({
  finding: `GEO-30${n}:s${n}`,
  code: `GEO-30${n}`,
  message: `Wrong ${n}.`,
  says: `Mends ${n}.`,
  resolves: n,
  objects,
  repairs: [{ kind: 'DeleteSurface', surface: `s${n}` }],
});

const open = (steps: ReturnType<typeof step>[], refused: object[] = []) => {
  answers({ 'GET /api/deliveries/d/repair-plan': { steps, refused } });
  const edits = fakeEdits();
  show(<PlanSheet index={indexModel(model({}))} edits={edits} />);
  return edits;
};

describe('the repair plan', () => {
  it('is looked at as one repair of the steps that are ticked', async () => {
    const edits = open([step(1, 's1'), step(2, 's2'), step(3, 's1', 's3')], [{}]);
    expect(await screen.findByText('Mends 1.')).toBeTruthy();
    expect(screen.getByTestId('plan-sum').textContent).toContain('3 steps of 3 taken');
    expect(screen.getByTestId('plan-sum').textContent).toContain('1 remedy tried and left');
    fireEvent.click(screen.getByLabelText('Take step 1'));
    // the third changes what the first changes
    expect(screen.getByTestId('plan-sum').textContent).toContain('1 step of 3 taken');
    expect(screen.getByLabelText('Take step 3')).toHaveProperty('disabled', true);
    fireEvent.click(screen.getByTestId('plan-look'));
    expect(edits.consider).toHaveBeenCalledWith(
      {
        kind: 'Several',
        label: 'Repair plan',
        repairs: [{ kind: 'DeleteSurface', surface: 's2' }],
        findings: ['GEO-302:s2'],
      },
      'Take the plan',
    );
    fireEvent.click(screen.getByLabelText('Take step 1'));
    expect(screen.getByTestId('plan-sum').textContent).toContain('3 steps of 3 taken');
  });

  it('says when there is nothing to take', async () => {
    open([]);
    expect(await screen.findByText(/Nothing that is open/)).toBeTruthy();
    expect(screen.getByTestId('plan-look')).toHaveProperty('disabled', true);
  });
});
