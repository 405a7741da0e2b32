// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { model } from '../model/testModel';
import { answers, eachAnew, show } from '../shared/testPage';
import { MassFloors } from './MassFloors';

eachAnew();

const mass = model({});
mass.spaces = [];
mass.delivery = { ...mass.delivery, format: 'ifc', fileName: 'mass.ifc' };

describe('a body without rooms', () => {
  it('is cut into floors of a height, which become a drawing', async () => {
    answers({
      'GET /api/deliveries/d/mass': {
        document: '{}',
        storeys: ['Ground', 'First'],
        floorArea: 400,
        volume: 1400,
        bodyVolume: 1500,
        notes: ['The ground is taken to be at the lowest floor, 0.00 m.'],
      },
      'GET /api/deliveries/d/mass?height=2.4': {
        document: '{"thin":1}',
        storeys: ['Ground', 'Storey 2', 'Storey 3'],
        floorArea: 600,
        volume: 1500,
        bodyVolume: 1500,
        notes: [],
      },
    });
    const bring = vi.fn();
    const intake = { sending: null, job: null, bring } as never;
    const { user } = show(<MassFloors model={mass} intake={intake} />);
    expect(await screen.findByText(/400.00 m² of floor on Ground, First/)).toBeTruthy();
    expect(screen.getByText(/1400.00 m³ of the body’s 1500.00 m³/)).toBeTruthy();
    expect(screen.getByText(/ground is taken/)).toBeTruthy();
    const field = screen.getByLabelText<HTMLInputElement>('Storey height');
    await user.type(field, '1');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    await user.clear(field);
    await user.type(field, '2.4');
    expect(await screen.findByText(/600.00 m² of floor/)).toBeTruthy();
    await waitFor(() =>
      expect(screen.getByText<HTMLButtonElement>('Draw on its floors').disabled).toBe(false),
    );
    await user.click(screen.getByText('Draw on its floors'));
    const file = bring.mock.calls[0][0] as File;
    expect(file.name).toBe('mass floors.json');
    expect(await file.text()).toBe('{"thin":1}');
  });
});
