// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Model, Surface } from '../model/api';
import { indexModel } from '../model/model';
import { useView } from '../model/state';
import { finding, model, opening, space, surface } from '../model/testModel';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { SurfaceFacts } from './SurfaceFacts';

eachAnew();

function facts(more: Partial<Surface> = {}, units: 'SI' | 'IP' = 'SI', parts: Partial<Model> = {}) {
  answers({
    'GET /api/surface-types': [
      { name: 'EXTERIOR_WALL', gbxml: 'ExteriorWall', label: 'exterior wall' },
      { name: 'ROOF', gbxml: 'Roof', label: 'roof' },
    ],
  });
  const s = { ...surface('s1', ['a'], [opening('o1', 's1')]), ...more };
  const edits = fakeEdits();
  const index = indexModel(
    model({ spaces: [space('a')], surfaces: [s], findings: [finding('f1', 's1')], ...parts }),
  );
  return {
    edits,
    ...show(<SurfaceFacts surface={s} index={index} edits={edits} />, { units }),
  };
}

const value = (label: string) => screen.getByText(label).nextElementSibling?.textContent;

describe('facts of a surface', () => {
  it('are its measures, where it faces, and what lies behind it', () => {
    facts({ thickness: 0.3 });
    expect(value('Gross area')).toBe('10.00 m²');
    expect(value('Net area')).toBe('8.00 m²');
    expect(value('Azimuth')).toBe('180.0 S');
    expect(value('Thickness')).toBe('0.300 m');
    expect(value('Other side')).toBe('Outdoor air');
    expect(screen.getByTestId('behind').textContent).toBe('Faces outdoor air. As delivered.');
    expect(screen.getByText('Openings (1)')).toBeTruthy();
  });

  it('are in feet where the project has them', () => {
    facts({ thickness: 0.3048, kind: 'derived-2a' }, 'IP');
    expect(value('Gross area')).toBe('107.6 ft²');
    expect(value('Thickness')).toBe('1 ft 0 in');
    expect(screen.getByTestId('behind').textContent).toContain('Derived.');
  });

  it('say what is not there', () => {
    facts({ spaces: ['gone'], openings: [], construction: 'c-9', azimuth: undefined, type: '' });
    expect(screen.getByText('gone (not defined)')).toBeTruthy();
    expect(screen.getByText('c-9 is not defined.')).toBeTruthy();
    expect(screen.getByText('Type not stated · s1')).toBeTruthy();
    expect(value('Azimuth')).toBe('–');
  });

  it('without a space say so', () => {
    facts({ spaces: [] });
    expect(screen.getByText('No space.')).toBeTruthy();
  });

  it('lead to its findings, spaces and openings', async () => {
    const { user } = facts();
    await user.click(screen.getByRole('button', { name: /Fault f1/ }));
    expect(useView.getState().finding).toBe('f1');
    await user.click(screen.getByRole('button', { name: 'Room a' }));
    expect(useView.getState().selection).toEqual(['a']);
  });

  it('are mended by hand, after a preview', async () => {
    const { user, edits } = facts();
    await user.click(screen.getByRole('button', { name: 'Turn it round' }));
    expect(edits.consider).toHaveBeenLastCalledWith(
      { kind: 'ReverseSurface', surface: 's1' },
      'Turn it round',
    );
    await user.click(screen.getByRole('button', { name: 'Delete' }));
    expect(edits.consider).toHaveBeenLastCalledWith(
      { kind: 'DeleteSurface', surface: 's1' },
      'Delete the surface',
    );
    await user.click(screen.getByTestId('retype'));
    const own = await screen.findByRole('menuitem', { name: 'exterior wall ExteriorWall' });
    expect(own.getAttribute('aria-disabled')).toBe('true');
    await user.click(screen.getByRole('menuitem', { name: 'roof Roof' }));
    expect(edits.consider).toHaveBeenLastCalledWith(
      { kind: 'RetypeSurface', surface: 's1', type: 'ROOF' },
      'Type it roof',
    );
  });
});
