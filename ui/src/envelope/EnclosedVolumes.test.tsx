// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { useView } from '../model/state';
import { answers, eachAnew, fakeEdits, rooms, show } from '../shared/testPage';
import { EnclosedVolumes } from './EnclosedVolumes';

eachAnew();

const volume = (name: string, more: object = {}) => ({
  name,
  floorArea: 12.5,
  volume: 31.25,
  inside: [1, 2, 3],
  rings: [[0, 0, 0, 1, 0, 0, 1, 1, 0]],
  bridged: [],
  ...more,
});

const FOUND = { volumes: [], leaks: [], open: [], cavities: 0 };

async function found(answer: object, units: 'SI' | 'IP' = 'SI') {
  const asked = answers({ 'GET /api/deliveries/d/enclosed': { ...FOUND, ...answer } });
  const edits = fakeEdits();
  const shown = show(<EnclosedVolumes index={rooms()} edits={edits} />, { units });
  expect(asked).toHaveLength(0);
  await shown.user.click(screen.getByTestId('find-spaces'));
  await waitFor(() => expect(screen.queryByText(/Looking for/)).toBeNull());
  return { edits, asked, ...shown };
}

describe('rooms without a space', () => {
  it('are looked for when asked, and told with their size', async () => {
    await found({ volumes: [volume('Room 1'), volume('Room 2', { floorArea: 4 })] });
    expect(screen.getByText('2 rooms without a space')).toBeTruthy();
    expect(screen.getByText(/12.50 m²/)).toBeTruthy();
    expect(screen.getAllByText('31.25 m³')).toHaveLength(2);
  });

  it('become spaces by the name that is typed', async () => {
    const { user, edits } = await found({ volumes: [volume('Room 1')] });
    expect(screen.queryByText('Take all')).toBeNull();
    const name = screen.getByLabelText('Name of the space');
    await user.clear(name);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take' }).disabled).toBe(true);
    await user.type(name, 'Sail loft');
    await user.click(screen.getByRole('button', { name: 'Take' }));
    const [step] = vi.mocked(edits.scope).mock.calls[0];
    const sent = answers({ 'POST /api/deliveries/d/enclosed': {} });
    await step('d', 4);
    expect(sent[0].body).toEqual({
      basedOn: 4,
      volumes: [{ name: 'Sail loft', inside: [1, 2, 3] }],
    });
  });

  it('are taken all at once', async () => {
    const { user, edits } = await found({ volumes: [volume('Room 1'), volume('Room 2')] });
    await user.click(screen.getByRole('button', { name: 'Take all' }));
    expect(edits.scope).toHaveBeenCalledOnce();
  });

  it('are lit while one points at them', async () => {
    const bridged = [[0, 0, 0, 1, 0, 0]];
    const { user, unmount } = await found({ volumes: [volume('Room 1', { bridged })] });
    await user.hover(screen.getByRole('listitem'));
    expect(useView.getState().lit).toMatchObject({ lines: bridged });
    await user.unhover(screen.getByRole('listitem'));
    expect(useView.getState().lit).toBeNull();
    expect(screen.getByText(/Bridged gaps are lit/)).toBeTruthy();
    await user.click(screen.getByLabelText('Name of the space'));
    expect(useView.getState().lit).not.toBeNull();
    unmount();
    expect(useView.getState().lit).toBeNull();
  });

  it('that leak show where, in the unit that is shown', async () => {
    const { user } = await found(
      { leaks: [[3.048, 0, 0.3048]], open: ['The yard is open to the sky.'], cavities: 1 },
      'IP',
    );
    expect(screen.getByText('0 rooms without a space')).toBeTruthy();
    await user.click(screen.getByText(/leaks at 10.00, 0.00, 1.00 ft/));
    expect(useView.getState().lit).toMatchObject({ points: [[3.048, 0, 0.3048]] });
    expect(screen.getByText('The yard is open to the sky.')).toBeTruthy();
    expect(screen.getByText(/1 shaft or cavities left out/)).toBeTruthy();
  });

  it('that cannot be looked for say why', async () => {
    answers({ 'GET /api/deliveries/d/enclosed': new Error('The model has no bodies.') });
    const { user } = show(<EnclosedVolumes index={rooms()} edits={fakeEdits()} />);
    await user.click(screen.getByTestId('find-spaces'));
    expect(await screen.findByText('The model has no bodies.')).toBeTruthy();
  });
});
