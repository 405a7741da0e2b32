// @vitest-environment happy-dom
import { act, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { model } from '../model/testModel';
import { useView } from '../model/state';
import { answers, eachAnew, rooms, show } from '../shared/testPage';
import { Balance } from './Balance';
import { HandoverPanel } from './HandoverPanel';

eachAnew();

const line = (what: string, measure: string, more: object) => ({
  what,
  measure,
  causes: [],
  ...more,
});

const BALANCE = {
  handover: null,
  lines: [
    line('Spaces', 'COUNT', { source: 4, before: 3, now: 4 }),
    line('Floor area', 'AREA', { source: 101, before: 100, now: 100 }),
    line('Volume', 'VOLUME', {
      before: 300,
      now: 312.5,
      causes: [
        { kind: 'REPAIRED', measure: 'VOLUME', amount: 12.5, says: '', objects: ['a', 'b'] },
        { kind: 'OUT_OF_SCOPE', measure: 'VOLUME', amount: -3, says: 'a wing', objects: [] },
      ],
    }),
    line('Heat loss', 'HEAT_LOSS', { before: null, now: 527.5279263 }),
    line('Mean U-value', 'U_VALUE', { before: 0.4, now: 0.35 }),
  ],
};

const FILE = {
  format: 'gbxml-6.01',
  label: 'gbXML 6.01',
  fileName: 'marram-point.xml',
  size: 12_000,
  sha256: '00ff',
  readBack: true,
  notes: ['No postal code is known.'],
  faults: [] as string[],
  differences: [] as string[],
  counts: { spaces: 8 },
};

const HANDED = {
  id: 'h1',
  files: [FILE],
  part: '',
  partNotes: [] as string[],
  blockers: 0,
  errors: 2,
  warnings: 1,
  accepted: [{ code: 'VOL-402', message: 'a gap of 0.30 m', reason: 'as built', by: 'A. Person' }],
  recorded: true,
  version: 1,
  madeBy: 'A. Person',
  madeAt: '2026-02-03T10:00:00Z',
};

const FORMATS = [
  { code: 'gbxml-6.01', label: 'gbXML 6.01', ending: '.xml', readBack: true },
  { code: 'ifc4', label: 'IFC4 with space boundaries', ending: '.ifc', readBack: true },
  { code: 'glb', label: 'glTF binary', ending: '.glb', readBack: false },
  { code: 'xlsx', label: 'Schedules (XLSX)', ending: '.xlsx', readBack: false },
];

const LOOK = { spaces: 2, all: 2, part: '', notes: [] as string[], files: [FILE] };

const PAGE = {
  'GET /api/deliveries/d/handovers': [] as object[],
  'GET /api/deliveries/d/balance': { handover: null, lines: [] },
  'GET /api/handover-formats': FORMATS,
  'POST /api/deliveries/d/handovers/look': LOOK,
};

const severities = (blocker: number, error = 0) => ({ blocker, error, warning: 0, note: 0 });

beforeEach(() => localStorage.clear());

describe('the balance sheet', () => {
  const cells = async (what: string) =>
    [...((await screen.findByText(what)).closest('tr')?.cells ?? [])].map((c) => c.textContent);

  it('sets off what has changed, in the units of the project', async () => {
    answers({ 'GET /api/deliveries/d/balance': BALANCE });
    show(<Balance model={model({})} project="p" />);
    expect(screen.getByText('Adding up …')).toBeTruthy();
    expect(await cells('Spaces')).toEqual(['Spaces', '4', '3', '4', '']);
    expect(await cells('Volume')).toEqual(['Volume', '–', '300.00', '312.50', 'm³']);
    expect(await cells('Heat loss')).toEqual(['Heat loss', '–', '–', '528', 'W/K']);
    expect(screen.getAllByText('4')[1].className).toContain('font-semibold');
    expect(screen.getAllByText('100.00')[1].className).not.toContain('font-semibold');
    expect(screen.queryByText('Read back')).toBeNull();
  });

  it('has a column for what was read back, and sets off what differs there', async () => {
    answers({
      'GET /api/deliveries/d/balance': {
        handover: 'h1',
        lines: [
          line('Spaces', 'COUNT', { before: 3, now: 4, readBack: 4 }),
          line('Surfaces', 'COUNT', { before: 9, now: 9, readBack: 8 }),
        ],
      },
    });
    show(<Balance model={model({})} project="p" />);
    expect(await cells('Spaces')).toEqual(['Spaces', '–', '3', '4', '4', '']);
    expect(screen.getByText('8').className).toContain('text-error');
    expect(screen.getByText('Read back')).toBeTruthy();
  });

  it('tells the causes of a difference, and leads to what makes it', async () => {
    answers({ 'GET /api/deliveries/d/balance': BALANCE });
    const { user } = show(<Balance model={model({})} project="p" />);
    await user.click(await screen.findByRole('button', { name: 'Volume' }));
    const causes = screen.getByTestId('causes');
    expect(causes.textContent).toContain('+12.50 m³: repairs');
    expect(causes.textContent).toContain('−3.00 m³: left out of the scope; a wing');
    expect(within(causes).getByText('Open Scope').getAttribute('href')).toContain('/p/p/scope');
    await user.click(screen.getByTestId('show-objects'));
    expect(useView.getState().selection).toEqual(['a', 'b']);
  });

  it('in feet where the project has them', async () => {
    answers({ 'GET /api/deliveries/d/balance': BALANCE });
    show(<Balance model={model({})} project="p" />, { units: 'IP' });
    expect((await screen.findByText('Heat loss')).closest('tr')?.textContent).toBe(
      'Heat loss––1000Btu/(h F)',
    );
    expect(screen.getByText('Floor area').closest('tr')?.textContent).toContain('1076.4');
  });
});

describe('the handover', () => {
  it('lists what was handed over, what was open and what was accepted', async () => {
    answers({
      ...PAGE,
      'GET /api/deliveries/d/handovers': [
        { ...HANDED, part: '2 of 8 spaces: storey Ground floor' },
        { ...HANDED, id: 'h2', version: 9, errors: 0, warnings: 0, accepted: [], recorded: false },
      ],
    });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    await user.click(await screen.findByRole('tab', { name: 'Handed over 2' }));
    const [first, second] = await screen.findAllByTestId('handover-row');
    expect(first.textContent).toContain('The present state; 2 errors, 1 warning open');
    expect(first.textContent).toContain('2 of 8 spaces: storey Ground floor');
    expect(first.textContent).toContain('Reads back equal');
    expect(first.textContent).toContain('as built (A. Person)');
    expect(second.textContent).toContain('nothing open');
    expect(second.textContent).toContain('The model has changed since');
    expect(within(second).queryByTestId('again')).toBeNull();
    expect(within(first).getByTestId('download').getAttribute('href')).toBe(
      '/api/handovers/h1/file?format=gbxml-6.01',
    );
    expect(within(first).getByTestId('package').getAttribute('href')).toBe(
      '/api/handovers/h1/package',
    );
  });

  it('says before anything is kept what the files would be', async () => {
    const asked = answers({
      ...PAGE,
      'POST /api/deliveries/d/handovers/look': {
        ...LOOK,
        files: [{ ...FILE, differences: ['The surface su-3 is missing.'] }],
      },
    });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    expect(await screen.findByText(/The surface su-3 is missing/)).toBeTruthy();
    await user.click(screen.getByText('1 note'));
    expect(screen.getByText('No postal code is known.')).toBeTruthy();
    await user.click(screen.getByRole('checkbox', { name: /IFC4/ }));
    await waitFor(() =>
      expect(asked.filter((a) => a.path.endsWith('/look')).at(-1)?.body).toMatchObject({
        formats: ['gbxml-6.01', 'ifc4'],
        part: { by: 'ALL', of: [] },
        edge: 'ADIABATIC',
        report: true,
        topics: false,
      }),
    );
    expect(screen.getByTestId('write').textContent).toContain('Hand over 3 files');
    await user.click(screen.getByRole('checkbox', { name: /IFC4/ }));
    await user.click(screen.getByRole('checkbox', { name: /gbXML/ }));
    expect(screen.getByTestId('write').hasAttribute('disabled')).toBe(true);
  });

  it('hands over a storey, a zone, what is selected, or spaces by name', async () => {
    const asked = answers(PAGE);
    const index = rooms();
    const parted = {
      ...index.model,
      storeys: [{ key: 'st-1', name: 'Ground floor', level: 0, spaces: 2 }],
      spaces: index.model.spaces.map((s) => ({ ...s, zone: 'North' })),
    };
    const { user } = show(<HandoverPanel model={parted} project="p" />);
    const way = await screen.findByRole('combobox', { name: 'Which part' });
    const last = () =>
      asked.filter((a) => a.path.endsWith('/look')).at(-1)?.body as {
        part?: unknown;
        edge?: string;
      };
    await user.selectOptions(way, 'STOREYS');
    expect(screen.getByTestId('write').hasAttribute('disabled')).toBe(true);
    await user.click(screen.getByRole('checkbox', { name: /Ground floor/ }));
    await waitFor(() => expect(last().part).toEqual({ by: 'STOREYS', of: ['st-1'] }));
    await user.click(screen.getByRole('radio', { name: /keep their neighbours/ }));
    await waitFor(() => expect(last().edge).toBe('KEEP'));
    await user.selectOptions(way, 'ZONES');
    await user.click(screen.getByRole('checkbox', { name: /North/ }));
    await waitFor(() => expect(last().part).toEqual({ by: 'ZONES', of: ['North'] }));
    await user.selectOptions(way, 'SPACES');
    expect(screen.getByText(/Nothing is selected/)).toBeTruthy();
    act(() => useView.getState().select(['s2']));
    await waitFor(() => expect(last().part).toEqual({ by: 'SPACES', of: ['a', 'b'] }));
    await user.selectOptions(way, 'NAMES');
    await user.type(screen.getByRole('textbox', { name: 'Names of spaces' }), 'Crew room, Store*');
    await waitFor(() => expect(last().part).toEqual({ by: 'NAMES', of: ['Crew room', 'Store*'] }));
  });

  it('writes at once when nothing stands against it', async () => {
    const asked = answers({ ...PAGE, 'POST /api/deliveries/d/handovers': HANDED });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    await user.click(await screen.findByTestId('write'));
    expect(await screen.findByText(/Nothing yet/)).toBeTruthy();
    await waitFor(() =>
      expect(asked.filter((a) => a.path.endsWith('/handovers') && a.method === 'GET')).toHaveLength(
        2,
      ),
    );
    expect(
      asked.find((a) => a.method === 'POST' && a.path.endsWith('/handovers'))?.body,
    ).toMatchObject({ basedOn: 1, allowBlockers: false, formats: ['gbxml-6.01'] });
  });

  it('asks for a decision where blockers are open, and takes it', async () => {
    let refuse: object | null = {
      type: 'urn:yentra:blockers-open',
      detail: '2 blockers are open.',
    };
    const asked: unknown[] = [];
    vi.stubGlobal(
      'fetch',
      vi.fn(({ method, url }: Request) => {
        const writes = method === 'POST' && url.endsWith('/handovers');
        if (writes) asked.push(1);
        const path = url.slice(window.location.origin.length);
        const answer =
          writes && refuse ? refuse : (PAGE as Record<string, unknown>)[`${method} ${path}`];
        return Promise.resolve(
          new Response(JSON.stringify(answer ?? HANDED), { status: writes && refuse ? 409 : 200 }),
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
    refuse = {
      type: 'urn:yentra:not-proven',
      detail: 'refuses',
      against: ['gbXML 6.01 refuses: Surface su-33 lacks surfaceType.'],
    };
    await user.click(screen.getByTestId('write'));
    expect((await screen.findByTestId('decision')).textContent).toContain('su-33 lacks');
    refuse = null;
    await user.click(await screen.findByTestId('all-the-same'));
    await waitFor(() => expect(screen.queryByTestId('decision')).toBeNull());
    expect(asked).toHaveLength(3);
  });

  it('makes files again from their record, and says whether they are the same', async () => {
    answers({
      ...PAGE,
      'GET /api/deliveries/d/handovers': [HANDED],
      'POST /api/handovers/h1/again': {
        same: true,
        says: 'Made again from the record: the same bytes, one file.',
        files: [],
      },
    });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    await user.click(await screen.findByRole('tab', { name: 'Handed over 1' }));
    await user.click(await screen.findByTestId('again'));
    await waitFor(() =>
      expect(screen.getByTestId('again-says').textContent).toContain('the same bytes'),
    );
  });

  it('makes a token for a machine, shows it once, and takes it away', async () => {
    const token = { id: 't1', label: 'Nightly', madeBy: 'A', madeAt: '2026-02-03T10:00:00Z' };
    const asked = answers({
      ...PAGE,
      'GET /api/projects/p/tokens': [{ ...token, token: null, usedAt: null }],
      'POST /api/projects/p/tokens': { ...token, token: 'yt_secret', usedAt: null },
      'DELETE /api/projects/p/tokens/t1': {},
    });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    await user.click(await screen.findByRole('tab', { name: /Fetched by others/ }));
    await user.type(screen.getByRole('textbox', { name: /Who is it for/ }), 'Nightly');
    await user.click(screen.getByTestId('make-token'));
    expect((await screen.findByTestId('token')).textContent).toBe('yt_secret');
    expect((await screen.findByTestId('token-row')).textContent).toContain('not used yet');
    await user.click(screen.getByRole('button', { name: 'Take away the token of Nightly' }));
    await waitFor(() =>
      expect(asked.some((a) => a.method === 'DELETE' && a.path.endsWith('/tokens/t1'))).toBe(true),
    );
  });

  it('says that results will be wrong where errors are left', () => {
    answers(PAGE);
    show(<HandoverPanel model={model({ severities: severities(0, 3) })} project="p" />);
    expect(screen.getByText(/its results will be wrong/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Answer them first' }).getAttribute('href')).toContain(
      '/p/p/findings',
    );
  });

  it('says why nothing was written', async () => {
    answers({
      ...PAGE,
      'POST /api/deliveries/d/handovers': new Error('The use Net loft is not in the list.'),
    });
    const { user } = show(<HandoverPanel model={model({})} project="p" />);
    await user.click(await screen.findByTestId('write'));
    expect((await screen.findByRole('alert')).textContent).toBe(
      'The use Net loft is not in the list.',
    );
  });
});
