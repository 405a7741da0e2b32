// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { model } from '../model/testModel';
import { answers, eachAnew, show } from '../shared/testPage';
import { Balance } from './Balance';
import { HandoverPanel } from './HandoverPanel';

eachAnew();

const BALANCE = [
  { what: 'Spaces', measure: 'COUNT', before: 3, now: 4 },
  { what: 'Floor area', measure: 'AREA', before: 100, now: 100 },
  { what: 'Volume', measure: 'VOLUME', before: 300, now: 312.5 },
  { what: 'Heat loss', measure: 'HEAT_LOSS', before: null, now: 527.5279263 },
  { what: 'Mean U-value', measure: 'U_VALUE', before: 0.4, now: 0.35 },
];

const HANDED = {
  id: 'h1',
  fileName: 'marram-point.xml',
  format: 'gbXML 6.01',
  size: 12_000,
  blockers: 0,
  errors: 2,
  warnings: 1,
  accepted: [{ code: 'VOL-402', message: 'a gap of 0.30 m', reason: 'as built', by: 'A. Person' }],
  version: 1,
  madeBy: 'A. Person',
  madeAt: '2026-02-03T10:00:00Z',
};

const severities = (blocker: number, error = 0) => ({ blocker, error, warning: 0, note: 0 });

describe('the balance sheet', () => {
  it('sets off what has changed, in the units of the project', async () => {
    answers({ 'GET /api/deliveries/d/balance': BALANCE });
    show(<Balance model={model({})} />);
    expect(screen.getByText('Adding up …')).toBeTruthy();
    const line = async (what: string) =>
      [...((await screen.findByText(what)).closest('tr')?.cells ?? [])].map((c) => c.textContent);
    expect(await line('Spaces')).toEqual(['Spaces', '3', '4', '']);
    expect(await line('Volume')).toEqual(['Volume', '300.00', '312.50', 'm³']);
    expect(await line('Heat loss')).toEqual(['Heat loss', '–', '528', 'W/K']);
    expect(screen.getByText('4').className).toContain('font-semibold');
    expect(screen.getAllByText('100.00')[1].className).not.toContain('font-semibold');
  });

  it('in feet where the project has them', async () => {
    answers({ 'GET /api/deliveries/d/balance': BALANCE });
    show(<Balance model={model({})} />, { units: 'IP' });
    expect((await screen.findByText('Heat loss')).closest('tr')?.textContent).toBe(
      'Heat loss–1000Btu/(h F)',
    );
    expect(screen.getByText('Floor area').closest('tr')?.textContent).toContain('1076.4');
  });
});

describe('the handover', () => {
  it('lists what was handed over, what was open and what was accepted', async () => {
    answers({
      'GET /api/deliveries/d/handovers': [
        HANDED,
        { ...HANDED, id: 'h2', version: 9, errors: 0, warnings: 0, accepted: [] },
      ],
      'GET /api/deliveries/d/balance': [],
    });
    show(<HandoverPanel model={model({})} project="p" />);
    const [first, second] = await screen.findAllByTestId('handover-row');
    expect(first.textContent).toContain('2 errors, 1 warning open, read back equal');
    expect(first.textContent).toContain('The present state; A. Person');
    expect(first.textContent).toContain('as built (A. Person)');
    expect(second.textContent).toContain('nothing open');
    expect(second.textContent).toContain('The model has changed since');
    expect(within(first).getByTestId('download').getAttribute('href')).toBe(
      '/api/handovers/h1/file',
    );
  });

  it('writes at once when nothing stands against it', async () => {
    const asked = answers({
      'GET /api/deliveries/d/handovers': [],
      'GET /api/deliveries/d/balance': [],
      'POST /api/deliveries/d/handovers': HANDED,
    });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    expect(await screen.findByText(/Nothing yet/)).toBeTruthy();
    await user.click(screen.getByTestId('write'));
    await waitFor(() =>
      expect(asked.filter((a) => a.path.endsWith('/handovers') && a.method === 'GET')).toHaveLength(
        2,
      ),
    );
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({
      basedOn: 1,
      allowBlockers: false,
    });
  });

  it('asks for a decision where blockers are open, and takes it', async () => {
    let refuse = true;
    const asked: unknown[] = [];
    vi.stubGlobal(
      'fetch',
      vi.fn(({ method }: Request) => {
        if (method === 'POST') asked.push(1);
        const answer =
          method === 'POST' && refuse
            ? { type: 'urn:yentra:blockers-open', detail: '2 blockers are open.' }
            : [];
        return Promise.resolve(
          new Response(JSON.stringify(answer), { status: method === 'POST' && refuse ? 409 : 200 }),
        );
      }),
    );
    const { user } = show(
      <HandoverPanel model={model({ severities: severities(2) })} project="p" />,
    );
    expect(screen.getByText(/A simulation would fail on these/)).toBeTruthy();
    await user.click(screen.getByTestId('write'));
    const dialog = await screen.findByTestId('decision');
    expect(dialog.textContent).toContain('2 blockers open');
    await user.click(within(dialog).getByText('Repair first'));
    expect(screen.queryByTestId('decision')).toBeNull();
    expect(asked).toHaveLength(1);
    await user.click(screen.getByTestId('write'));
    refuse = false;
    await user.click(await screen.findByTestId('all-the-same'));
    await waitFor(() => expect(screen.queryByTestId('decision')).toBeNull());
    expect(asked).toHaveLength(3);
  });

  it('says that results will be wrong where errors are left', () => {
    answers({ 'GET /api/deliveries/d/handovers': [], 'GET /api/deliveries/d/balance': [] });
    show(<HandoverPanel model={model({ severities: severities(0, 3) })} project="p" />);
    expect(screen.getByText(/its results will be wrong/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Answer them first' }).getAttribute('href')).toContain(
      '/p/p/findings',
    );
  });

  it('says why nothing was written', async () => {
    answers({
      'GET /api/deliveries/d/handovers': [],
      'GET /api/deliveries/d/balance': [],
      'POST /api/deliveries/d/handovers': new Error('The file read back differs.'),
    });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    await user.click(screen.getByTestId('write'));
    expect((await screen.findByRole('alert')).textContent).toBe('The file read back differs.');
  });
});
