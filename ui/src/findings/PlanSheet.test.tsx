// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
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

const question = (finding: string, ...labels: string[]) => ({
  finding,
  code: finding.slice(0, 7),
  severity: 'error',
  message: `Is ${finding} so?`,
  objects: ['s1'],
  choices: labels.map((label) => ({ label, repair: { kind: 'DeleteSurface', surface: label } })),
});

const side = (errors: number, floorArea: number, unknownArea = 0) => ({
  blockers: 0,
  errors,
  warnings: 0,
  figures: { floorArea, volume: 100, outdoorArea: 50, glazedArea: 5 },
  heatLoss: 12,
  unknownArea,
});

/** Every attempt gets a name of its own, as in the page. */
let runs = 0;

beforeEach(() => {
  runs = 0;
  vi.spyOn(crypto, 'randomUUID').mockImplementation(
    () => `run-${++runs}` as ReturnType<typeof crypto.randomUUID>,
  );
});

interface Given {
  refused?: object[];
  open?: object[];
  more?: number;
  /** What becomes of it, as it is and after each choice. */
  outcomes?: object[];
}

let version = 0;

function open(
  steps: ReturnType<typeof step>[],
  { refused = [], open: questions = [], more = 0, outcomes = [] }: Given = {},
) {
  const nothing = { gone: [], unanswered: [], before: side(3, 20), after: side(1, 30) };
  const table: Record<string, unknown> = {
    'POST /api/deliveries/d/repair-plan/run-1': { version, steps, refused, open: questions, more },
  };
  for (let n = 0; n < 6; n++)
    table[`POST /api/deliveries/d/repair-plan/outcome/run-${n + 2}`] = {
      ...nothing,
      ...outcomes[n],
    };
  const asked = answers(table);
  const edits = fakeEdits();
  const m = model({});
  // what is chosen is kept by version
  m.delivery.version = ++version;
  show(<PlanSheet index={indexModel(m)} edits={edits} />);
  const settled = () =>
    waitFor(() => expect(screen.getByTestId('plan-figures').textContent).toBeTruthy());
  return { asked, edits, settled };
}

const sum = () => screen.getByTestId('plan-sum').textContent;

describe('the repair plan', () => {
  it('is looked at as one repair of the steps that are ticked, and tells what it comes to', async () => {
    const { edits, asked, settled } = open([step(1, 's1'), step(2, 's2'), step(3, 's1', 's3')], {
      refused: [LEFT],
      outcomes: [{}, { gone: [{ step: 2, reason: 'There is no surface s1.' }] }],
    });
    expect(await screen.findByText('Mends 1.')).toBeTruthy();
    await settled();
    expect(sum()).toContain('3 of 3 steps taken');
    expect(screen.getByTestId('plan-figures').textContent).toContain('Errors3 → 1');
    expect(screen.getByTestId('plan-figures').textContent).toContain('20.00 m² → 30.00 m²');
    fireEvent.click(screen.getByLabelText('Take step 1'));
    // the third builds on the first: the core has tried it
    await waitFor(() => expect(sum()).toContain('1 of 3 steps taken'));
    expect(asked.at(-1)?.body ?? asked.at(-2)?.body).toMatchObject({ without: [0] });
    const third = screen.getByLabelText('Take step 3');
    expect(third).toHaveProperty('disabled', true);
    expect(third.title).toContain('There is no surface s1.');
    await waitFor(() => expect(screen.getByTestId('plan-look')).toHaveProperty('disabled', false));
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
    await waitFor(() => expect(sum()).toContain('3 of 3 steps taken'));
  });

  it('ticks all steps for one kind of fault, and tells what was tried and is not taken', async () => {
    open([step(1, 's1'), { ...step(1, 's2'), finding: 'GEO-301:s2' }, step(2, 's3')], {
      refused: [LEFT],
    });
    const group = await screen.findByLabelText('Take GEO-301');
    expect(screen.getByTestId('plan-groups').textContent).toContain('4.00');
    fireEvent.click(group);
    expect(sum()).toContain('1 of 3 steps taken');
    fireEvent.click(screen.getByLabelText('Take All steps'));
    expect(sum()).toContain('3 of 3 steps taken');
    fireEvent.click(screen.getByText('GEO-302', { selector: 'button' }));
    expect(screen.queryByLabelText('Take step 1')).toBeNull();
    fireEvent.click(screen.getByText(/Tried and not taken: 1 remedy/));
    expect(screen.getByTestId('plan-left').textContent).toContain('Delete it: Not proven.');
  });

  it('asks what the delivery does not determine, one by one or several at once', async () => {
    const { edits, settled } = open([step(1, 's1')], {
      open: [
        question('THM-701:a', 'x', 'y'),
        question('THM-701:b', 'x'),
        question('USE-801:c', 'z'),
      ],
      more: 4,
      outcomes: [{}, {}, { unanswered: [{ finding: 'THM-701:b', reason: 'It opens a space.' }] }],
    });
    fireEvent.click(await screen.findByText(/For you to decide: 7 questions/));
    await settled();
    fireEvent.change(screen.getByLabelText('What to do: Is USE-801:c so?'), {
      target: { value: 'z' },
    });
    await waitFor(() => expect(sum()).toContain('1 of 1 step taken, 1 question answered'));
    fireEvent.change(screen.getByLabelText('Answer all: THM-701'), { target: { value: 'x' } });
    expect(await screen.findByText('Not taken: It opens a space.')).toBeTruthy();
    expect(sum()).toContain('2 questions answered');
    await waitFor(() => expect(screen.getByTestId('plan-look')).toHaveProperty('disabled', false));
    fireEvent.click(screen.getByTestId('plan-look'));
    expect(edits.consider).toHaveBeenCalledWith(
      expect.objectContaining({ findings: ['GEO-301:s1', 'THM-701:a', 'USE-801:c'] }),
      'Take the plan',
    );
    fireEvent.change(screen.getByLabelText('Answer all: THM-701'), { target: { value: 'none' } });
    await waitFor(() => expect(sum()).toContain('1 question answered'));
    expect(screen.getByText(/4 more are not listed/)).toBeTruthy();
  });

  it('forgets an answer to what was answered elsewhere meanwhile', async () => {
    const first = open([step(1, 's1')], { open: [question('THM-701:a', 'x')] });
    fireEvent.click(await screen.findByText(/For you to decide/));
    await first.settled();
    fireEvent.change(screen.getByLabelText('What to do: Is THM-701:a so?'), {
      target: { value: 'x' },
    });
    await waitFor(() => expect(sum()).toContain('1 question answered'));
    cleanup();
    runs = 0;
    const { asked, settled } = open([step(1, 's1')]);
    await screen.findByText('Mends 1.');
    await settled();
    expect(sum()).not.toContain('answered');
    const outcomes = asked.filter((a) => a.path.includes('outcome'));
    expect(outcomes.map((a) => a.body)).toEqual([expect.objectContaining({ answers: [] })]);
  });

  it('says what its heat loss leaves out', async () => {
    const { settled } = open([step(1, 's1')], {
      outcomes: [{ after: side(1, 30, 7.5) }],
    });
    await screen.findByText('Mends 1.');
    await settled();
    expect(screen.getByTestId('plan-figures').textContent).toContain(
      'Without a U-value0.00 m² → 7.50 m²',
    );
  });

  it('says when there is nothing to take', async () => {
    open([]);
    expect(await screen.findByText(/Nothing that is open/)).toBeTruthy();
    expect(screen.getByTestId('plan-look')).toHaveProperty('disabled', true);
  });

  it('can be given up, and worked out after all', async () => {
    const asked: string[] = [];
    vi.stubGlobal(
      'fetch',
      vi.fn((request: Request) => {
        asked.push(`${request.method} ${request.url.slice(window.location.origin.length)}`);
        if (request.url.includes('attempts'))
          return Promise.resolve(
            new Response('{"share":0.4}', { headers: { 'Content-Type': 'application/json' } }),
          );
        return new Promise((_, fail) =>
          request.signal.addEventListener('abort', () => fail(new DOMException('', 'AbortError'))),
        );
      }),
    );
    show(<PlanSheet index={indexModel(model({}))} edits={fakeEdits()} />);
    expect(await screen.findByText(/40 %/)).toBeTruthy();
    fireEvent.click(screen.getByTestId('plan-give-up'));
    expect(await screen.findByText(/was given up/)).toBeTruthy();
    expect(asked).toContain('DELETE /api/attempts/run-1');
    fireEvent.click(screen.getByText('Work it out'));
    expect(await screen.findByText(/step by step/)).toBeTruthy();
  });
});
