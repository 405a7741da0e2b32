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
  area: 2 * n,
  objects,
  repairs: [{ kind: 'DeleteSurface', surface: `s${n}` }],
});

const LEFT = { finding: 'SPC-402:x', code: 'SPC-402', label: 'Delete it', reason: 'Not proven.' };

const open = (steps: ReturnType<typeof step>[], refused: object[] = []) => {
  answers({ 'GET /api/deliveries/d/repair-plan': { steps, refused } });
  const edits = fakeEdits();
  show(<PlanSheet index={indexModel(model({}))} edits={edits} />);
  return edits;
};

describe('the repair plan', () => {
  it('is looked at as one repair of the steps that are ticked', async () => {
    const edits = open([step(1, 's1'), step(2, 's2'), step(3, 's1', 's3')], [LEFT]);
    expect(await screen.findByText('Mends 1.')).toBeTruthy();
    expect(screen.getByTestId('plan-sum').textContent).toContain('3 steps of 3 taken');
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

  it('ticks all steps for one kind of fault, and tells what is left for a person', async () => {
    open([step(1, 's1'), { ...step(1, 's2'), finding: 'GEO-301:s2' }, step(2, 's3')], [LEFT]);
    const group = await screen.findByLabelText('Take GEO-301');
    expect(screen.getByTestId('plan-groups').textContent).toContain('4.00');
    fireEvent.click(group);
    expect(screen.getByTestId('plan-sum').textContent).toContain('1 step of 3 taken');
    fireEvent.click(screen.getByLabelText('Take All steps'));
    expect(screen.getByTestId('plan-sum').textContent).toContain('3 steps of 3 taken');
    fireEvent.click(screen.getByText('GEO-302', { selector: 'button' }));
    expect(screen.queryByLabelText('Take step 1')).toBeNull();
    fireEvent.click(screen.getByText(/Left for a person: 1 remedy/));
    expect(screen.getByTestId('plan-left').textContent).toContain('Delete it: Not proven.');
  });

  it('says when there is nothing to take', async () => {
    open([]);
    expect(await screen.findByText(/Nothing that is open/)).toBeTruthy();
    expect(screen.getByTestId('plan-look')).toHaveProperty('disabled', true);
  });
});
