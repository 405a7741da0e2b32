// @vitest-environment happy-dom
import { act, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { firstBlock, withHeight } from '../model/plan';
import type { Edits } from '../model/useEdits';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { useDrawing } from './useDrawing';

eachAnew();

const SHEET = { rooms: [], openings: [] };

/** A page whose version follows what it keeps a moment later, as that of the model does. */
function Page({ refuse, later }: { refuse?: boolean; later?: (go: () => void) => void }) {
  const [version, setVersion] = useState(1);
  const edits: Edits = {
    ...fakeEdits(),
    version,
    scope: async (step) => {
      await step('d', version);
      later?.(() => setVersion((v) => v + 1));
      return !refuse;
    },
  };
  const drawn = useDrawing(edits, 'p');
  if (!drawn || 'fault' in drawn) return <p>{drawn?.fault ?? 'opening'}</p>;
  const higher = (h: number) => drawn.act((d) => [withHeight(d, 'Ground', h), `To ${h}.`]);
  return (
    <>
      <output>{drawn.doc.storeys[0].height_m}</output>
      <button
        onClick={() => {
          higher(4);
          higher(5);
        }}
      >
        twice
      </button>
      {drawn.waiting && <p>waiting</p>}
    </>
  );
}

const plan = (version: number) => ({
  version,
  document: JSON.stringify(firstBlock('x')),
  sheet: SHEET,
});

describe('a drawing that is kept step by step', () => {
  it('shows what is done at once, and sends each on the version that the one before gave', async () => {
    const asked = answers({
      'GET /api/deliveries/d/plan': plan(1),
      'PUT /api/deliveries/d/plan': {},
    });
    let go = () => {};
    const { user } = show(<Page later={(g) => (go = g)} />);
    await user.click(await screen.findByText('twice'));
    expect(screen.getByText('5')).toBeTruthy();
    const puts = () => asked.filter((a) => a.method === 'PUT').map((a) => a.body);
    await waitFor(() => expect(puts()).toMatchObject([{ basedOn: 1, says: 'To 4.' }]));
    // the second waits until the page knows the version after the first
    await new Promise((on) => setTimeout(on, 50));
    expect(puts()).toHaveLength(1);
    act(() => go());
    await waitFor(() =>
      expect(puts()).toMatchObject([{ basedOn: 1 }, { basedOn: 2, says: 'To 5.' }]),
    );
    expect(screen.getByText('5')).toBeTruthy();
  });

  it('drops what waits when one is refused', async () => {
    const asked = answers({
      'GET /api/deliveries/d/plan': plan(1),
      'PUT /api/deliveries/d/plan': {},
    });
    const { user } = show(<Page refuse />);
    await user.click(await screen.findByText('twice'));
    await waitFor(() => expect(screen.queryByText('waiting')).toBeNull());
    expect(asked.filter((a) => a.method === 'PUT')).toHaveLength(1);
    expect(screen.getByText('3.4')).toBeTruthy();
  });

  it('says why it cannot be opened', async () => {
    answers({ 'GET /api/deliveries/d/plan': new Error('This delivery is no drawn building.') });
    show(<Page />);
    expect(await screen.findByText('This delivery is no drawn building.')).toBeTruthy();
  });
});
