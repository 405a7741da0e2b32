// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { LogEntry, SettingsEntry } from '../model/api';
import { indexModel } from '../model/model';
import { useView } from '../model/state';
import { model } from '../model/testModel';
import { answers, eachAnew, fakeEdits, rooms, show } from '../shared/testPage';
import { LogSheet } from './LogSheet';
import { Messages } from './Messages';

eachAnew();

const entry = (index: number, more: Partial<LogEntry> = {}): LogEntry => ({
  index,
  summary: `Change ${index + 1}`,
  area: 'BOUNDARIES',
  madeBy: 'A. Person',
  madeAt: `2026-02-0${index + 1}T10:00:00Z`,
  inForce: true,
  carried: false,
  ...more,
});

function log(position = 3) {
  const settings: SettingsEntry[] = [
    {
      summary: 'Units: feet',
      madeBy: 'B. Person',
      madeAt: '2026-02-02T12:00:00Z',
      inForce: true,
    } as SettingsEntry,
  ];
  const m = model({
    log: [
      entry(0, {
        finding: 'VOL-401:a',
        figures: {
          findingsGone: 2,
          findingsNew: 1,
          floorAreaBefore: 20,
          floorAreaAfter: 22.5,
        } as LogEntry['figures'],
      }),
      entry(1, { carried: true }),
      entry(2, { inForce: false, undoneBy: 'B. Person' }),
    ],
    settingsLog: settings,
  });
  return indexModel({ ...m, delivery: { ...m.delivery, logPosition: position } });
}

describe('the log', () => {
  it('tells what, why, who, and settings where they were changed', () => {
    show(<LogSheet index={log()} edits={fakeEdits()} />);
    const rows = screen.getAllByRole('row').map((r) => r.textContent ?? '');
    const at = (text: string) => rows.findIndex((r) => r.includes(text));
    expect(rows[at('Change 1')]).toContain('VOL-401');
    expect(rows[at('Change 1')]).toContain('−2 +1');
    expect(rows[at('Change 1')]).toContain('+2.50');
    expect(rows[at('Change 2')]).toContain('carried over: Change 2');
    expect(rows[at('Change 2')]).toContain('by hand');
    expect(rows[at('Change 3')]).toContain('undone by B. Person: Change 3');
    expect(rows[at('Units: feet')]).toContain('project');
    // between the second and the third entry
    expect(at('Change 2')).toBeLessThan(at('Units: feet'));
    expect(at('Units: feet')).toBeLessThan(at('Change 3'));
  });

  it('goes back to a point', async () => {
    const edits = fakeEdits();
    const { user } = show(<LogSheet index={log()} edits={edits} />);
    const back = screen.getByTestId<HTMLButtonElement>('log-here');
    expect(back.disabled).toBe(true);
    await user.click(screen.getByText('Change 1'));
    expect(back.disabled).toBe(false);
    await user.click(back);
    expect(edits.change).toHaveBeenCalledWith(
      expect.any(Function),
      'The model is as it was after entry 1.',
    );
    // where the log stands, and a setting, are no points to go to
    await user.click(screen.getByText(/Change 3/));
    expect(back.disabled).toBe(true);
    await user.click(screen.getByText('Units: feet'));
    expect(back.disabled).toBe(true);
  });

  it('says what depends on an entry before it is taken out', async () => {
    const asked = answers({
      'POST /api/deliveries/d/log/dependents': [
        { index: 1, summary: 'Change 2', reason: 'works on what this made' },
      ],
    });
    const edits = fakeEdits();
    const { user } = show(<LogSheet index={log()} edits={edits} />);
    await user.click(screen.getByText('Change 1'));
    await user.click(screen.getByTestId('log-out'));
    const dialog = await screen.findByTestId('log-dialog');
    expect(dialog.textContent).toContain('Take 1 entry out of the log');
    expect(dialog.textContent).toContain('2. Change 2 works on what this made');
    expect(asked[0].body).toEqual({ entries: [0] });
    await user.click(screen.getByTestId('log-confirm'));
    expect(edits.change).toHaveBeenCalledWith(expect.any(Function), 'Taken out of the log.');
    expect(screen.queryByTestId('log-dialog')).toBeNull();
  });

  it('says why it cannot be asked', async () => {
    answers({ 'POST /api/deliveries/d/log/dependents': new Error('Another change came first.') });
    const { user } = show(<LogSheet index={log()} edits={fakeEdits()} />);
    await user.click(screen.getByText('Change 1'));
    await user.click(screen.getByTestId('log-out'));
    await waitFor(() =>
      expect(useView.getState().message).toEqual({ text: 'Another change came first.', bad: true }),
    );
  });

  it('is empty in words', () => {
    show(<LogSheet index={indexModel(model({}))} edits={fakeEdits()} />);
    expect(screen.getByText(/Nothing has been changed yet/)).toBeTruthy();
  });
});

describe('messages of a simulation', () => {
  const TRACED = {
    lines: ['error, S1: odd', 'nothing', 'error, GONE: missing'],
    more: false,
    hits: [
      {
        line: 1,
        text: 'S1',
        kind: 'surface',
        key: 's1',
        title: 'South wall of West',
        facts: ['Exterior wall of 10.00 m².', 'No construction.'],
        select: ['s1'],
        findings: ['f1', 'unknown'],
      },
      {
        line: 3,
        text: 'GONE',
        kind: 'space',
        key: 'gone',
        title: 'Space gone',
        facts: ['It was in the file that was handed over last.'],
        select: [],
        findings: [],
      },
    ],
  };

  async function traced(answer: unknown = TRACED) {
    const asked = answers({ 'POST /api/deliveries/d/trace': answer });
    const shown = show(<Messages index={rooms()} />);
    expect(screen.getByTestId<HTMLButtonElement>('trace').disabled).toBe(true);
    await shown.user.type(screen.getByTestId('messages-text'), 'error, S1: odd');
    await shown.user.click(screen.getByTestId('trace'));
    return { asked, ...shown };
  }

  it('lead to what they are about', async () => {
    const { user, asked } = await traced();
    const hits = await screen.findAllByTestId('trace-hit');
    expect(asked[0].body).toEqual({ text: 'error, S1: odd' });
    expect(hits[0].textContent).toContain('surface, named as S1');
    expect(hits[0].textContent).toContain('Exterior wall of 10.00 m². No construction.');
    expect(screen.getByText(/2 objects in 2 lines of/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'South wall of West' }));
    expect(useView.getState().selection).toEqual(['s1']);
    await user.click(screen.getByRole('button', { name: /Fault f1/ }));
    expect(useView.getState().finding).toBe('f1');
    // what is no longer there cannot be shown
    expect(screen.queryByRole('button', { name: 'Space gone' })).toBeNull();
  });

  it('may name nothing', async () => {
    await traced({ lines: ['x'], more: false, hits: [] });
    expect(await screen.findByText(/Nothing in the text names an object/)).toBeTruthy();
  });

  it('say that there is more than is shown', async () => {
    await traced({ ...TRACED, more: true });
    expect(await screen.findByText(/there is more than is shown/)).toBeTruthy();
  });

  it('that cannot be looked through say why', async () => {
    await traced(new Error('The text is too long.'));
    await waitFor(() =>
      expect(useView.getState().message).toEqual({ text: 'The text is too long.', bad: true }),
    );
  });
});
