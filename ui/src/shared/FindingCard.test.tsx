// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Check, Finding } from '../model/api';
import { indexModel } from '../model/model';
import { useView } from '../model/state';
import { finding, model, space, surface } from '../model/testModel';
import { FindingCard } from './FindingCard';
import { answers, eachAnew, fakeEdits, show } from './testPage';

eachAnew();

const CHECK = {
  code: 'ADJ-506',
  why: 'Heat would go through a wall that is not there.',
  compared: 'at most',
} as Check;

function card(
  f: Partial<Finding>,
  check: Partial<Check> = {},
  others: Finding[] = [],
  remedies: unknown[] = [],
) {
  answers({
    'GET /api/checks': [{ ...CHECK, ...check }],
    'POST /api/deliveries/d/remedies': [{ finding: 'f1', remedies }],
  });
  const shown: Finding = { ...finding('f1', 's1'), ...f };
  const index = indexModel(
    model({
      spaces: [space('a')],
      surfaces: [surface('s1', ['a'])],
      findings: [shown, ...others],
    }),
  );
  const edits = fakeEdits();
  return { ...show(<FindingCard index={index} finding={shown} edits={edits} />), edits };
}

const REMEDY = { label: 'Delete it', repair: { kind: 'DeleteSurface', surface: 's1' } } as never;

describe('the card of a finding', () => {
  it('says what was measured, what was stated, and what it is held against', async () => {
    card({ measured: 12.345, stated: 10, limit: 2, unit: 'm2', limitUnit: '%', line: 41 });
    expect(await screen.findByText(/12\.3.*stated 10/)).toBeTruthy();
    expect(await screen.findByText(/at most 2/)).toBeTruthy();
    expect(screen.getByText('Line 41 of the file')).toBeTruthy();
    expect(screen.getByText(CHECK.why)).toBeTruthy();
  });

  it('says so when no figure applies', () => {
    card({});
    expect(screen.getByText('No figure applies.')).toBeTruthy();
  });

  it('shows a remedy before it is made', async () => {
    const { user, edits } = card({}, {}, [], [REMEDY]);
    await user.click(await screen.findByTestId('remedy-0'));
    expect(edits.consider).toHaveBeenCalledWith(
      { kind: 'DeleteSurface', surface: 's1' },
      'Delete it',
      'f1',
    );
    expect(edits.apply).not.toHaveBeenCalled();
  });

  it('offers one remedy for all findings of its code', async () => {
    const other = { ...finding('f3', 's1'), code: 'GEO-305' };
    const { user, edits } = card({}, {}, [finding('f2', 's1'), other], [REMEDY]);
    await user.click(await screen.findByTestId('for-alike'));
    expect(edits.sweep).toHaveBeenCalledWith(['f1', 'f2'], expect.anything(), 'Delete it');
  });

  it('leads to where it is answered, with its objects selected', async () => {
    const { user } = card(
      {},
      { elsewhere: { workspace: 'thermal', table: null, label: 'Set the place' } as never },
    );
    await user.click(await screen.findByTestId('answered-elsewhere'));
    expect(screen.getByTestId('address').textContent).toBe('/p/p/thermal?delivery=d');
    expect(useView.getState().selection).toEqual(['s1']);
    expect(useView.getState().finding).toBeNull();
  });

  it('says it openly when nothing can be done here', async () => {
    card({});
    expect(await screen.findByText(/No remedy can be offered here/)).toBeTruthy();
  });

  it('is accepted with a reason only', async () => {
    const { user, edits } = card({});
    await user.click(screen.getByTestId('accept'));
    const button = screen.getByTestId<HTMLButtonElement>('accept-it');
    expect(button.disabled).toBe(true);
    await user.type(screen.getByTestId('reason'), 'As built');
    expect(button.disabled).toBe(false);
    await user.click(button);
    expect(edits.change).toHaveBeenCalledWith(
      expect.any(Function),
      'Accepted; listed at the handover.',
    );
    expect(screen.queryByTestId('reason')).toBeNull();
  });

  it('keeps the reason that was typed when accepting fails', async () => {
    const { user, edits } = card({});
    vi.mocked(edits.change).mockResolvedValue(false);
    await user.click(screen.getByTestId('accept'));
    await user.type(screen.getByTestId('reason'), 'As built');
    await user.click(screen.getByTestId('accept-it'));
    expect(screen.getByTestId<HTMLTextAreaElement>('reason').value).toBe('As built');
  });

  it('says who accepted it and why, and opens it again', async () => {
    const { user, edits } = card({
      accepted: { reason: 'As built', by: 'Rowan', at: '2026-01-02T10:00:00Z', holds: true },
    } as never);
    expect(screen.getByTestId('accepted').textContent).toBe('As built');
    expect(screen.getByText('accepted')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Open it again' }));
    expect(edits.change).toHaveBeenCalledWith(expect.any(Function), 'The finding is open again.');
  });

  it('tells of an acceptance that no longer holds', () => {
    card({
      accepted: { reason: 'As built', by: 'Rowan', at: '2026-01-02T10:00:00Z', holds: false },
    } as never);
    expect(screen.getByText(/Accepted before by Rowan/)).toBeTruthy();
    expect(screen.getByTestId('accept')).toBeTruthy();
  });

  it('goes on to the next finding', async () => {
    const { user } = card({}, {}, [finding('f2', 's1')]);
    useView.setState({ finding: 'f1' });
    expect(screen.getByText('1 of 2')).toBeTruthy();
    await user.click(screen.getByTestId('next-finding'));
    expect(useView.getState().finding).toBe('f2');
  });

  it('shows what others answered', () => {
    card({
      answers: [
        {
          status: 'Closed',
          text: 'Mended',
          author: 'Ash',
          date: '2026-02-03T00:00:00Z',
          fileName: 'a.bcf',
        },
      ],
    } as never);
    const answer = screen.getByTestId('answer').textContent;
    expect(answer).toContain('Closed: Mended');
    expect(answer).toContain('Ash, 2026-02-03, a.bcf');
  });
});
