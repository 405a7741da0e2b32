import { useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';
import { lengthOf } from '../model/lengths';
import { useUnits } from '../model/units';
import type { useIntake } from '../shared/useIntake';

/** A delivery without rooms that brings a closed body: its floors, to be drawn on. */
export function MassFloors({
  model,
  intake,
}: {
  model: Model;
  intake: ReturnType<typeof useIntake>;
}) {
  const units = useUnits();
  const [text, setText] = useState('');
  const typed = text.trim() ? lengthOf(text, units.system) : null;
  const wrong = !!text.trim() && !(typed && typed >= 2 && typed <= 50);
  const height = wrong ? null : typed;
  const { id } = model.delivery;
  const found = useQuery({
    queryKey: ['mass', id, model.delivery.version, height],
    queryFn: () => api.mass(id, height),
    placeholderData: keepPreviousData,
    enabled: model.delivery.format === 'ifc' && !model.spaces.length,
  });
  const m = found.data;
  if (!m?.document) return null;
  const draw = () =>
    void intake.bring(
      new File([m.document!], model.delivery.fileName.replace(/\.\w+$/, '') + ' floors.json', {
        type: 'application/json',
      }),
    );
  return (
    <div data-testid="mass">
      <h2 className="kicker mt-3 mb-1">A body without rooms</h2>
      <p>
        Cut at half the height of each storey it has {units.area.text(m.floorArea)} of floor on{' '}
        {m.storeys.join(', ')}: {units.volume.text(m.volume)} of the body’s{' '}
        {units.volume.text(m.bodyVolume)}.
      </p>
      {m.notes.map((n) => (
        <p key={n} className="text-muted">
          {units.said(n)}
        </p>
      ))}
      <label className="mt-1 flex items-center justify-between gap-2">
        <span className="text-muted">Storey height</span>
        <input
          className={`field w-24 text-right ${wrong ? 'border-blocker' : ''}`}
          value={text}
          placeholder="as stated"
          aria-invalid={wrong}
          title="A height from 2 to 50 m; empty for the storeys that the file states"
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button
        className="btn mt-1.5"
        disabled={wrong || found.isFetching || intake.sending !== null || intake.job !== null}
        onClick={draw}
      >
        Draw on its floors
      </button>
    </div>
  );
}
