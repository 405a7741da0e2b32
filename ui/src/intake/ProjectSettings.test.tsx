// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Project } from '../model/api';
import { model } from '../model/testModel';
import { answers, eachAnew, show } from '../shared/testPage';
import { ProjectSettings } from './ProjectSettings';

eachAnew();

const project = (settings: object) =>
  ({ id: '7', name: 'P', version: 3, settings, deliveries: [] }) as unknown as Project;

const DELIVERED = { use: 'Office', latitude: 51.5, longitude: -4.25, elevation: 12, north: 350 };

function shown(settings: object, units: 'SI' | 'IP' = 'SI') {
  const asked = answers({
    'GET /api/stations?latitude=51.5&longitude=-4.25': [
      { name: 'Marram', distance: 12.4 },
      { name: 'Far', distance: 160.9344 },
    ],
    'GET /api/stations': [{ name: 'Marram', distance: null }],
    'GET /api/building-uses': ['Office', 'Museum'],
    'PUT /api/projects/7/settings': project({}),
  });
  return {
    asked,
    put: () => asked.filter((a) => a.method === 'PUT').map((a) => a.body),
    ...show(
      <ProjectSettings project={project(settings)} model={model({ delivered: DELIVERED })} />,
      { units },
    ),
  };
}

const field = (label: string) => screen.getByLabelText<HTMLInputElement>(new RegExp(`^${label}`));

describe('settings of a project', () => {
  it('that are blank are those of the delivery', () => {
    shown({});
    expect(field('Latitude').value).toBe('');
    expect(field('Latitude').placeholder).toBe('51.5');
    expect(field('Ground level').placeholder).toBe('not stated');
    expect(screen.getByRole('option', { name: 'Office (delivered)' })).toBeTruthy();
  });

  it('are kept with Enter; latitude and longitude go together', async () => {
    const { user, put } = shown({});
    await user.type(field('Latitude'), '52,25{Enter}');
    await waitFor(() =>
      expect(put()).toEqual([{ basedOn: 3, settings: { latitude: 52.25, longitude: -4.25 } }]),
    );
  });

  it('are withdrawn by a blank, both places at once', async () => {
    const { user, put } = shown({ latitude: 51.5, longitude: -4.25 });
    await user.clear(field('Longitude'));
    await user.tab();
    await waitFor(() => expect(put()).toEqual([{ basedOn: 3, settings: {} }]));
  });

  it('that are no numbers are marked and not kept', async () => {
    const { user, put } = shown({ elevation: 5 });
    await user.clear(field('Elevation'));
    await user.type(field('Elevation'), 'high{Enter}');
    expect(field('Elevation').getAttribute('aria-invalid')).toBe('true');
    expect(put()).toEqual([]);
    await user.keyboard('{Escape}');
    expect(field('Elevation').value).toBe('5');
    expect(field('Elevation').getAttribute('aria-invalid')).toBe('false');
  });

  it('that were not changed are not sent', async () => {
    const { user, put } = shown({ north: 10 });
    await user.click(field('y axis azimuth'));
    await user.type(field('y axis azimuth'), '0');
    await user.keyboard('{Backspace}{Enter}');
    expect(put()).toEqual([]);
  });

  it('are in feet where the project has them', async () => {
    const { user, put } = shown({ groundLevel: 3.048 }, 'IP');
    expect(field('Ground level').value).toBe('10');
    await user.clear(field('Ground level'));
    await user.type(field('Ground level'), '20{Enter}');
    await waitFor(() =>
      expect(put()).toEqual([
        { basedOn: 3, settings: { groundLevel: expect.closeTo(6.096, 9) as number } },
      ]),
    );
    expect(await screen.findByText('Far, 100 mi')).toBeTruthy();
  });

  it('offer the nearest weather, and others by their distance', async () => {
    const { user, put } = shown({});
    expect(await screen.findByText('nearest: Marram')).toBeTruthy();
    expect(screen.getByText('Far, 161 km')).toBeTruthy();
    await user.selectOptions(field('Weather'), 'Far');
    await waitFor(() => expect(put()).toEqual([{ basedOn: 3, settings: { station: 'Far' } }]));
  });

  it('say what the building is for', async () => {
    const { user, put } = shown({ use: 'Office' });
    await screen.findByRole('option', { name: 'Museum' });
    await user.selectOptions(field('Use'), 'Museum');
    await waitFor(() => expect(put()).toEqual([{ basedOn: 3, settings: { use: 'Museum' } }]));
  });
});
