// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Project } from '../model/api';
import { indexModel } from '../model/model';
import { useView } from '../model/state';
import { finding, model } from '../model/testModel';
import { answers, eachAnew, show } from '../shared/testPage';
import { Limits } from './Limits';

eachAnew();

const LIMITS = [
  {
    code: 'ADJ-504',
    name: 'roof',
    check: 'a type that its tilt contradicts',
    unit: 'deg',
    standard: 60,
    least: 1,
    most: 89,
    set: null,
  },
  {
    code: 'SPC-402',
    name: 'share',
    check: 'a volume that differs from the stated one',
    unit: '%',
    standard: 5,
    least: 0.1,
    most: 100,
    set: 10,
  },
];
const TRY = 'POST /api/deliveries/d/limits/try';
const SET = 'PUT /api/deliveries/d/limits';

function limits(more: Record<string, unknown> = {}) {
  const asked = answers({ 'GET /api/deliveries/d/limits': LIMITS, ...more });
  const index = indexModel(
    model({ findings: [{ ...finding('f1', 's1'), code: 'ADJ-504' }, finding('f2', 's1')] }),
  );
  const project = { id: 'p', version: 4, deliveries: [], settings: {} } as unknown as Project;
  return { ...show(<Limits index={index} project={project} />), asked };
}

async function row(code: string) {
  const cell = await screen.findByText(code);
  return cell.closest('tr')!;
}

describe('the limits', () => {
  it('shows the value that counts, the default, the range and the findings', async () => {
    limits();
    const share = await row('SPC-402');
    expect(within(share).getByLabelText<HTMLInputElement>('SPC-402.share').value).toBe('10');
    expect(share.textContent).toContain('0.1 – 100');
    expect((await row('ADJ-504')).lastChild!.textContent).toBe('1');
  });

  it('keeps those that fit the filter', async () => {
    const { user } = limits();
    await row('ADJ-504');
    await user.type(screen.getByLabelText('Filter limits'), 'stated');
    expect(screen.queryByText('ADJ-504')).toBeNull();
    expect(screen.getByText('SPC-402')).toBeTruthy();
  });

  it('shows what another limit would do before it is set', async () => {
    const { user, asked } = limits({ [TRY]: [{ code: 'ADJ-504', now: 1, then: 3 }] });
    const field = within(await row('ADJ-504')).getByLabelText('ADJ-504.roof');
    await user.clear(field);
    await user.type(field, '80{Enter}');
    await waitFor(() =>
      expect(screen.getByTestId('limits-effect').textContent).toBe('ADJ-504: 1 → 3.'),
    );
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({
      limits: { 'ADJ-504.roof': 80, 'SPC-402.share': 10 },
    });
    expect((await row('ADJ-504')).lastChild!.textContent).toContain('1 → 3');
    expect(asked.some((a) => a.method === 'PUT')).toBe(false);
  });

  it('sets nothing that was refused, and says why', async () => {
    const { user } = limits({ [TRY]: new Error('A roof begins above a wall.') });
    const field = within(await row('ADJ-504')).getByLabelText('ADJ-504.roof');
    await user.clear(field);
    await user.type(field, '80{Enter}');
    expect(await screen.findByText('A roof begins above a wall.')).toBeTruthy();
    expect(screen.getByTestId<HTMLButtonElement>('limits-save').disabled).toBe(true);
  });

  it('sets them for the project', async () => {
    const { user, asked } = limits({ [TRY]: [], [SET]: model({}) });
    const field = within(await row('SPC-402')).getByLabelText('SPC-402.share');
    await user.clear(field);
    await user.type(field, '7{Enter}');
    expect(await screen.findByText('No finding comes or goes.')).toBeTruthy();
    await user.click(screen.getByTestId('limits-save'));
    await waitFor(() => expect(useView.getState().message?.bad).toBe(false));
    expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({
      basedOn: 4,
      limits: { 'SPC-402.share': 7 },
    });
  });

  it('takes no word for a number, and leaves what was tried', async () => {
    const { user, asked } = limits({ [TRY]: [] });
    const field = within(await row('SPC-402')).getByLabelText('SPC-402.share');
    await user.clear(field);
    await user.type(field, 'much{Enter}');
    expect(asked.some((a) => a.method === 'POST')).toBe(false);
    await user.clear(field);
    await user.type(field, '7{Enter}');
    await user.click(await screen.findByRole('button', { name: 'Leave them' }));
    expect(
      within(await row('SPC-402')).getByLabelText<HTMLInputElement>('SPC-402.share').value,
    ).toBe('10');
  });
});
