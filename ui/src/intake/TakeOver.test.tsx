// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { model } from '../model/testModel';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { TakeOver } from './TakeOver';

eachAnew();

const FOUND = {
  drawing: 'store.json',
  moved: [3, 0, 0],
  pairs: [{ space: 'a', name: 'R 1', from: 'Net store', share: 0.9 }],
  left: ['Loft'],
  come: ['R 2', 'R 3', 'R 4', 'R 5', 'R 6', 'R 7', 'R 8'],
  types: [{ type: 'exterior wall', construction: 'Brick', surfaces: 12 }],
  uses: [{ kind: 'TakeRoomData', rooms: [{ space: 'a', use: 'Storage' }] }],
  zones: [],
  constructions: [{ kind: 'GiveConstruction' }],
};

describe('what a drawing said, for the model that comes later', () => {
  it('is offered, chosen, and shown before it is made', async () => {
    answers({ 'GET /api/deliveries/d/take-over': FOUND });
    const edits = fakeEdits();
    const { user } = show(<TakeOver model={model({})} edits={edits} />);
    expect(await screen.findByText(/1 of 8 spaces is recognised in store.json/)).toBeTruthy();
    expect(screen.getByText(/R 7 and 1 more/)).toBeTruthy();
    expect(screen.getByText('Only drawn: Loft.')).toBeTruthy();
    expect(screen.getByText('exterior wall: Brick (12)')).toBeTruthy();
    await user.click(screen.getByText('Show what it does'));
    await user.click(screen.getByLabelText(/Constructions/));
    await user.click(screen.getByText('Show what it does'));
    const kinds = (
      edits.consider as unknown as { mock: { calls: [{ repairs: { kind: string }[] }][] } }
    ).mock.calls.map(([r]) => r.repairs.map((x) => x.kind));
    expect(kinds).toEqual([['TakeRoomData', 'GiveConstruction'], ['TakeRoomData']]);
  });

  it('says when nothing is left, and nothing where nothing was drawn', async () => {
    answers({
      'GET /api/deliveries/d/take-over': { ...FOUND, uses: [], constructions: [] },
    });
    show(<TakeOver model={model({})} edits={fakeEdits()} />);
    expect(await screen.findByText('Nothing is left to be taken over.')).toBeTruthy();
  });
});
