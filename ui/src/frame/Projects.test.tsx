// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answers, eachAnew, show } from '../shared/testPage';
import { Projects } from './Projects';

eachAnew();

const DEMO = {
  id: '1',
  name: 'Marram Point',
  deliveries: [{ id: 'd', fileName: 'marram-point.xml', receivedAt: '2026-01-02T10:00:00Z' }],
};
const EMPTY = { id: '2', name: 'Annexe', deliveries: [] };
const page = (projects: unknown[], all = projects.length, from = 0) => ({ projects, all, from });

describe('the projects', () => {
  it('leads to the findings of a delivery, or to the intake', async () => {
    answers({ 'GET /api/projects?from=0': page([DEMO, EMPTY]) });
    show(<Projects />, { at: '/' });
    const [demo, annexe] = await screen.findAllByTestId('project');
    expect(demo.getAttribute('href')).toBe('/p/1/findings');
    expect(demo.textContent).toContain('marram-point.xml, 1 revision');
    expect(annexe.getAttribute('href')).toBe('/p/2/intake');
    expect(annexe.textContent).toContain('no delivery yet');
  });

  it('shows more when there are more', async () => {
    answers({
      'GET /api/projects?from=0': page([DEMO], 2),
      'GET /api/projects?from=1': page([EMPTY], 2, 1),
    });
    const { user } = show(<Projects />, { at: '/' });
    await user.click(await screen.findByRole('button', { name: 'Show more (1 left)' }));
    expect(await screen.findByText('Annexe')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Show more/ })).toBeNull();
  });

  it('makes a project that has a name, and goes there', async () => {
    const asked = answers({
      'GET /api/projects?from=0': page([]),
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
      'GET /api/projects?from=0': page([]),
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
    answers({ 'GET /api/projects?from=0': new Error('The database does not answer.') });
    show(<Projects />, { at: '/' });
    expect(
      await screen.findByText('The database does not answer.', {}, { timeout: 4000 }),
    ).toBeTruthy();
  });
});
