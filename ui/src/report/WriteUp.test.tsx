// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Model } from '../model/api';
import { model, space } from '../model/testModel';
import type { Block, WriteUps } from '../model/reportCalls';
import type { Variants } from '../model/variantCalls';
import { answers, eachAnew, show } from '../shared/testPage';
import { moved } from './useWriteUps';
import { WriteUpPanel } from './WriteUpPanel';

eachAnew();
beforeEach(() => localStorage.clear());

const rooms = () => model({ spaces: [space('a')] }) as Model;
const PROJECT = rooms().delivery.projectId;

const BLOCKS: Block[] = [
  { kind: 'TextBlock', heading: 'Why', text: 'It is warm.' },
  { kind: 'PictureBlock', picture: 'pic', caption: 'From the sea' },
  { kind: 'ChapterBlock', chapter: 'PLACE' },
];

const VARIANTS = {
  version: 1,
  weather: 'Sandling',
  drawn: false,
  baseline: { ask: '', state: 'done', message: '', missing: [], figures: null },
  variants: [
    {
      id: 'v',
      name: 'Shaded',
      group: '',
      parts: [],
      applies: true,
      effort: null,
      changes: [{ change: { kind: 'WindowShades' }, from: null, said: [], refused: null }],
      run: { ask: '', state: 'none', message: '', missing: [], figures: null },
    },
  ],
  targets: [],
  metrics: [],
  judgedBy: 'HEATING',
  gains: [],
  sweeps: [],
} as unknown as Variants;

function panel(blocks: Block[] | null, old = false) {
  const all: WriteUps = {
    writeUps: blocks
      ? [
          {
            id: 'w',
            body: { title: 'Shades', paper: 'A4', units: null, blocks },
            version: 3,
            changedBy: 'Ada',
            changedAt: '2026-12-01T00:00:00Z',
          },
        ]
      : [],
    chapters: [
      { chapter: 'PLACE', label: 'Place and climate' },
      { chapter: 'YEAR', label: 'The year' },
    ],
    remembered: { WindowShades: 'Overhangs of larch.' },
  };
  const asked = answers({
    [`GET /api/projects/${PROJECT}/write-ups`]: all,
    'GET /api/deliveries/d/pictures': [
      { id: 'pic', look: '{}', old, takenBy: 'Ada', takenAt: '2026-12-01T00:00:00Z' },
    ],
    'GET /api/deliveries/d/variants?assumeMissing=false': VARIANTS,
    'PUT /api/write-ups/w': null,
    'DELETE /api/pictures/pic': null,
    [`POST /api/projects/${PROJECT}/write-ups`]: { id: 'n' },
  });
  return { asked, ...show(<WriteUpPanel model={rooms()} purpose="write-up" />) };
}

const kept = (asked: { method: string; path: string; body: unknown }[]) =>
  asked.filter((a) => a.method === 'PUT').at(-1)?.body as
    { basedOn: number; body: { blocks: Block[] } } | undefined;

describe('a write-up', () => {
  it('begins with all chapters of the report, or with a comparison', async () => {
    const { asked, user } = panel(null);
    await user.click(await screen.findByTestId('new-report'));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
      blocks: [
        { kind: 'ChapterBlock', chapter: 'PLACE' },
        { kind: 'ChapterBlock', chapter: 'YEAR' },
      ],
    });
  });

  it('has its parts in the order that a person gives them', async () => {
    const { asked, user } = panel(BLOCKS);
    const parts = () => screen.getAllByTestId('block').map((b) => b.dataset.kind);
    await screen.findAllByTestId('block');
    expect(parts()).toEqual(['TextBlock', 'PictureBlock', 'ChapterBlock']);
    await user.click(screen.getByTitle('Move up: Place and climate'));
    await waitFor(() => expect(parts()).toEqual(['TextBlock', 'ChapterBlock', 'PictureBlock']));
    expect(kept(asked)!.basedOn).toBe(3);
    expect(moved(BLOCKS, 0, 2).map((b) => b.kind)).toEqual([
      'PictureBlock',
      'ChapterBlock',
      'TextBlock',
    ]);
  });

  it('remembers what was said of a kind of measure', async () => {
    const { asked, user } = panel(BLOCKS);
    await user.selectOptions(await screen.findByTestId('add-part'), 'Shaded');
    await waitFor(() => expect(kept(asked)).toBeTruthy());
    expect(kept(asked)!.body.blocks.at(-1)).toEqual({
      kind: 'MeasureBlock',
      variant: 'v',
      text: 'Overhangs of larch.',
    });
  });

  it('lets a picture go with the part that shows it', async () => {
    const { asked, user } = panel(BLOCKS);
    await user.click(await screen.findByTitle('Take out: From the sea'));
    await waitFor(() => expect(asked.some((a) => a.method === 'DELETE')).toBe(true));
    expect(asked.find((a) => a.method === 'DELETE')!.path).toBe('/api/pictures/pic');
    expect(kept(asked)!.body.blocks.map((b) => b.kind)).toEqual(['TextBlock', 'ChapterBlock']);
  });

  it('says which pictures are old, and takes none where there is no model', async () => {
    panel(BLOCKS, true);
    expect((await screen.findByTestId('old-pictures')).textContent).toContain('1 picture is older');
    const block = screen.getAllByTestId('block')[1];
    expect(within(block).getByText(/before the building’s last change/)).toBeTruthy();
    expect((screen.getByTestId('take-picture') as HTMLButtonElement).disabled).toBe(true);
  });
});
