// @vitest-environment happy-dom
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Finding } from '../model/api';
import { indexModel } from '../model/model';
import { useView } from '../model/state';
import { finding, model, space, surface } from '../model/testModel';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { FindingSheet } from './FindingSheet';

eachAnew();

const REMEDY = { label: 'Set 2.00 m²', repair: { kind: 'DeleteSurface', surface: 's1' } };

const some = (id: string, key: string, more: Partial<Finding> = {}): Finding => ({
  ...finding(id, key),
  ...more,
});

function sheet(units: 'SI' | 'IP' = 'SI') {
  answers({
    'GET /api/checks': [
      { code: 'ADJ-506', title: 'Normal points into the space', severity: 'error', limits: [] },
      { code: 'SPC-401', title: 'Gap in the shell', severity: 'blocker', limits: [] },
    ],
    'POST /api/deliveries/d/remedies': [
      { finding: 'f1', remedies: [REMEDY] },
      { finding: 'f2', remedies: [REMEDY] },
    ],
  });
  const edits = fakeEdits();
  const index = indexModel(
    model({
      spaces: [space('a'), space('b')],
      surfaces: [surface('s1', ['a']), surface('s2', ['a']), surface('s3', ['b'])],
      findings: [
        some('f1', 's1'),
        some('f2', 's2'),
        some('f3', 's3', {
          code: 'SPC-401',
          severity: 'blocker',
          message: 'A gap of 3.00 m².',
          measured: 3,
          unit: 'm2',
          limit: 0.01,
          limitUnit: 'm',
        }),
        some('f4', 's3', {
          accepted: { reason: 'as built', by: 'A. Person', at: '', holds: true },
        } as Partial<Finding>),
      ],
    }),
  );
  return { edits, ...show(<FindingSheet index={index} edits={edits} />, { units }) };
}

const groups = () => within(screen.getByTestId('finding-groups'));
const rows = () => screen.getAllByRole('row').slice(1);

describe('findings', () => {
  it('are listed with figures and limits; what was accepted is not open', async () => {
    const { user } = sheet();
    expect(rows()).toHaveLength(3);
    const gap = rows().find((r) => r.textContent?.includes('A gap'))!;
    expect(gap.textContent).toContain('3.00 m²');
    expect(gap.textContent).toContain('0.010 m');
    await user.click(screen.getByLabelText('with 1 accepted'));
    expect(rows()).toHaveLength(4);
  });

  it('speak the units of the project, their sentences too', () => {
    sheet('IP');
    expect(screen.getByText('A gap of 32.3 ft².')).toBeTruthy();
    expect(screen.getByText('32.3 ft²')).toBeTruthy();
  });

  it('are chosen by a row', async () => {
    const { user } = sheet();
    await user.click(screen.getByText('Fault f2'));
    expect(useView.getState().finding).toBe('f2');
    expect(useView.getState().selection).toEqual([]);
  });

  it('are grouped by code, severity or space', async () => {
    const { user } = sheet();
    await user.selectOptions(screen.getByTestId('group-by'), 'severity');
    const blocker = groups().getByRole('button', { name: /blocker/i });
    await user.click(blocker);
    expect(rows()).toHaveLength(1);
    expect(useView.getState().finding).toBe('f3');
    await user.selectOptions(screen.getByTestId('group-by'), 'space');
    expect(useView.getState().group).toBeNull();
    await user.click(groups().getByRole('button', { name: /Room a/ }));
    expect(rows()).toHaveLength(2);
    await user.click(groups().getByRole('button', { name: /All findings/ }));
    expect(rows()).toHaveLength(3);
  });

  it('of one group are answered together, in the words of the first', async () => {
    const { user, edits } = sheet('IP');
    await user.selectOptions(screen.getByTestId('group-by'), 'code');
    await user.click(groups().getByRole('button', { name: /ADJ-506|Normal points/ }));
    await user.click(await screen.findByRole('button', { name: 'Set 21.5 ft²' }));
    expect(edits.sweep).toHaveBeenCalledWith(['f1', 'f2'], REMEDY.repair, 'Set 2.00 m²');
  });

  it('of a group without remedies offer none', async () => {
    const { user } = sheet();
    await user.selectOptions(screen.getByTestId('group-by'), 'severity');
    await user.click(groups().getByRole('button', { name: /blocker/i }));
    expect(screen.queryByRole('button', { name: /Set 2.00/ })).toBeNull();
  });
});
