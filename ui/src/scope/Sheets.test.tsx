// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Model } from '../model/api';
import { useView } from '../model/state';
import { model } from '../model/testModel';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { SheetEditor } from './SheetEditor';

eachAnew();

const CELLS = {
  about: [['Name', 'Our sheet']],
  scope: [
    ['Class', 'In or out', 'Subtypes', 'Part of', 'Layer', 'Note'],
    ['IfcWall', 'in', 'yes', '', '', 'bounds rooms'],
  ],
  properties: [['Class', 'Set', 'Property', 'Need', 'Values', 'Note']],
};
const OURS = { id: 'ours', name: 'Our sheet', ships: false, cells: CELLS };
const SHIPPED = { ...OURS, id: 'geometry', name: 'Geometry', ships: true };

function editor(id: string, more: Record<string, unknown> = {}) {
  const asked = answers({
    'GET /api/projects/p/sheets': [OURS, SHIPPED],
    'GET /api/sheets/ours': OURS,
    'GET /api/sheets/geometry': SHIPPED,
    ...more,
  });
  const m = model({}) as Model;
  const of = {
    ...m,
    delivery: { ...m.delivery, projectId: 'p' },
    scope: { ...m.scope, sheet: id === 'ours' ? 'Our sheet' : 'Geometry' },
  } as Model;
  return { ...show(<SheetEditor model={of} edits={fakeEdits()} />), asked };
}

const field = (name: string) => screen.getByRole('textbox', { name }) as HTMLInputElement;

describe('a scope sheet as cells', () => {
  it('is changed cell by cell and saved as a whole', async () => {
    const { user, asked } = editor('ours', { 'PUT /api/sheets/ours': OURS });
    await screen.findByTestId('save-sheet');
    await user.type(field('Note, row 2'), ' and more');
    await user.click(screen.getByTestId('save-sheet'));
    await waitFor(() => expect(useView.getState().message?.text).toContain('Saved Our sheet.'));
    const sent = asked.find((a) => a.method === 'PUT')!.body as typeof CELLS;
    expect(sent.scope[1]).toEqual(['IfcWall', 'in', 'yes', '', '', 'bounds rooms and more']);
    expect(sent.properties).toEqual(CELLS.properties);
  });

  it('leaves out columns that nothing uses until they are asked for', async () => {
    const { user } = editor('ours');
    await screen.findByTestId('save-sheet');
    expect(screen.queryByRole('columnheader', { name: 'Layer' })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'All columns' }));
    expect(screen.getByRole('columnheader', { name: 'Layer' })).toBeTruthy();
  });

  it('gets rows and loses them', async () => {
    const { user } = editor('ours');
    await screen.findByTestId('save-sheet');
    await user.click(screen.getByTitle('Add a row below'));
    await user.type(field('Class, row 3'), 'IfcSlab');
    await user.click(screen.getAllByTitle('Remove this row')[0]);
    expect(field('Class, row 2').value).toBe('IfcSlab');
    expect(screen.queryByRole('textbox', { name: 'Class, row 3' })).toBeNull();
  });

  it('that comes with the product is copied, not changed', async () => {
    const { user, asked } = editor('geometry', {
      'POST /api/projects/p/sheets': { ...OURS, id: 'copy' },
      'GET /api/sheets/copy': { ...OURS, id: 'copy' },
    });
    await screen.findByText(/comes with Yentra and stays as it is/);
    expect(screen.queryByTestId('save-sheet')).toBeNull();
    expect(field('Note, row 2').readOnly).toBe(true);
    await user.click(screen.getByTitle('Make a sheet of your own of it'));
    await waitFor(() =>
      expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({
        about: [['Name', 'Our sheet, copy']],
      }),
    );
  });

  it('is held against another', async () => {
    const { user } = editor('ours', {
      'GET /api/sheets/ours/comparison?with=geometry': {
        first: 'Our sheet',
        second: 'Geometry',
        lines: [
          { place: 'FIRST', part: 'Elements', text: 'IfcWall is in' },
          { place: 'BOTH', part: 'Elements', text: 'IfcSlab is in' },
        ],
      },
    });
    await screen.findByTestId('save-sheet');
    await user.selectOptions(screen.getByLabelText('Compare with'), 'geometry');
    const shown = await screen.findByTestId('comparison');
    expect(shown.textContent).toContain('Only in Our sheet (1)');
    expect(shown.textContent).toContain('In both (1)');
    expect(shown.textContent).toContain('Nothing.');
  });
});
