// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answers, eachAnew, show } from '../shared/testPage';
import { Projects } from './Projects';

eachAnew();

const SHELF = { shelf: 'OPEN', touchedAt: '2026-01-02T10:00:00Z', createdBy: 'A. Person' };
const DEMO = {
  ...SHELF,
  id: '1',
  name: 'Marram Point',
  picture: true,
  standing: {
    spaces: 8,
    floorArea: 212.4,
    surfaces: 60,
    open: { blocker: 0, error: 3, warning: 12 },
  },
  deliveries: [{ id: 'd', fileName: 'marram-point.xml', receivedAt: '2026-01-02T10:00:00Z' }],
};
const EMPTY = { ...SHELF, id: '2', name: 'Annexe', deliveries: [], picture: false };
const page = (projects: unknown[], all = projects.length, from = 0) => ({ projects, all, from });

describe('the projects', () => {
  it('leads to the findings of a delivery, or to the intake', async () => {
    answers({ 'GET /api/projects?from=0&words=&shelf=OPEN': page([DEMO, EMPTY]) });
    show(<Projects />, { at: '/' });
    const [demo, annexe] = await screen.findAllByTestId('project');
    expect(demo.getAttribute('href')).toBe('/p/1/findings');
    expect(demo.textContent).toContain('marram-point.xml, 1 delivery');
    expect(annexe.getAttribute('href')).toBe('/p/2/intake');
    expect(annexe.textContent).toContain('no delivery yet');
  });

  it('shows more when there are more', async () => {
    answers({
      'GET /api/projects?from=0&words=&shelf=OPEN': page([DEMO], 2),
      'GET /api/projects?from=1&words=&shelf=OPEN': page([EMPTY], 2, 1),
    });
    const { user } = show(<Projects />, { at: '/' });
    await user.click(await screen.findByRole('button', { name: 'Show more (1 left)' }));
    expect(await screen.findByText('Annexe')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Show more/ })).toBeNull();
  });

  it('makes a project that has a name, and goes there', async () => {
    const asked = answers({
      'GET /api/projects?from=0&words=&shelf=OPEN': page([]),
      'POST /api/projects': { id: '9', name: 'Jetty' },
    });
    const { user } = show(<Projects />, { at: '/' });
    const create = screen.getByTestId<HTMLButtonElement>('create');
    expect(create.disabled).toBe(true);
    await user.type(screen.getByLabelText('Name of a new project'), '  ');
    expect(create.disabled).toBe(true);
    await user.type(screen.getByLabelText('Name of a new project'), 'Jetty{Enter}');
    expect(await screen.findByText('/p/9/intake')).toBeTruthy();
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ name: '  Jetty' });
  });

  it('says why a project was not made, and keeps its name', async () => {
    answers({
      'GET /api/projects?from=0&words=&shelf=OPEN': page([]),
      'POST /api/projects': new Error('There is a project of this name.'),
    });
    const { user } = show(<Projects />, { at: '/' });
    const name = screen.getByLabelText<HTMLInputElement>('Name of a new project');
    await user.type(name, 'Jetty{Enter}');
    expect(await screen.findByText('There is a project of this name.')).toBeTruthy();
    expect(name.value).toBe('Jetty');
    expect(screen.getByTestId('address').textContent).toBe('/');
  });

  it('says so when the list cannot be read', async () => {
    answers({
      'GET /api/projects?from=0&words=&shelf=OPEN': new Error('The database does not answer.'),
    });
    show(<Projects />, { at: '/' });
    expect(
      await screen.findByText('The database does not answer.', {}, { timeout: 4000 }),
    ).toBeTruthy();
  });

  it('tells how a project stands, with a picture', async () => {
    answers({ 'GET /api/projects?from=0&words=&shelf=OPEN': page([DEMO]) });
    const { container } = show(<Projects />, { at: '/' });
    const standing = await screen.findByTestId('standing');
    expect(standing.textContent).toBe(' 3 12');
    expect(screen.getByTitle('3 errors open')).toBeTruthy();
    expect(screen.getByTestId('project').textContent).toContain('8 spaces, 212 m²');
    expect(container.querySelector('img[src="/api/projects/1/picture"]')).toBeTruthy();
  });

  it('finds by words, and says so when nothing is found', async () => {
    answers({
      'GET /api/projects?from=0&words=&shelf=OPEN': page([DEMO]),
      'GET /api/projects?from=0&words=jetty&shelf=OPEN': page([]),
    });
    const { user } = show(<Projects />, { at: '/' });
    await screen.findByTestId('project');
    await user.type(screen.getByTestId('find-project'), 'jetty');
    expect(await screen.findByText('No project has jetty in its name or files.')).toBeTruthy();
  });

  it('deletes with a way back', async () => {
    const asked = answers({
      'GET /api/projects?from=0&words=&shelf=OPEN': page([DEMO]),
      'PUT /api/projects/1/shelf': {},
    });
    const { user } = show(<Projects />, { at: '/' });
    await user.click(await screen.findByTestId('project-menu'));
    await user.click(await screen.findByRole('menuitem', { name: 'Delete' }));
    expect(await screen.findByText(/can be taken back for 30 days/)).toBeTruthy();
    await user.click(screen.getByTestId('undo-move'));
    const moves = asked.filter((a) => a.method === 'PUT').map((a) => a.body);
    expect(moves).toEqual([{ shelf: 'DELETED' }, { shelf: 'OPEN' }]);
  });

  it('renames in place', async () => {
    const asked = answers({
      'GET /api/projects?from=0&words=&shelf=OPEN': page([DEMO]),
      'PUT /api/projects/1/name': {},
    });
    const { user } = show(<Projects />, { at: '/' });
    await user.click(await screen.findByTestId('project-menu'));
    await user.click(await screen.findByRole('menuitem', { name: 'Rename …' }));
    const field = await screen.findByLabelText('New name of Marram Point');
    await user.clear(field);
    await user.type(field, 'Marram Head{Enter}');
    expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({ name: 'Marram Head' });
  });
});
