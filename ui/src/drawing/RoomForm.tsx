import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type DrawnRoom } from '../model/api';
import { spoken } from '../model/words';

/** Name and use of a room. */
export function RoomForm({
  room,
  delivery,
  copied,
  onDone,
  onLeave,
}: {
  room: DrawnRoom;
  delivery: string;
  /** The storey whose plan this one shows: the name is given there. */
  copied: string | null;
  onDone: (name: string, use: string) => void;
  onLeave: () => void;
}) {
  const conditions = useQuery({
    queryKey: ['uses', delivery],
    queryFn: () => api.conditions(delivery),
    staleTime: Infinity,
  });
  const [name, setName] = useState(
    room.named ? room.name.replace(copied ? `, ${room.storey}` : '', '') : '',
  );
  const [use, setUse] = useState(room.use);
  const uses = conditions.data?.uses.map((u) => u.name) ?? [];
  return (
    <form
      className="w-64 rounded-sm border border-line bg-panel p-2 shadow-lg"
      data-testid="room-form"
      onSubmit={(e) => {
        e.preventDefault();
        onDone(name.trim(), use);
      }}
      onKeyDown={(e) => e.key === 'Escape' && onLeave()}
    >
      <label className="mb-1 flex items-center justify-between gap-2">
        <span className="text-muted">Name</span>
        <input
          className="field w-44"
          value={name}
          maxLength={200}
          placeholder={room.name}
          autoFocus
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <label className="mb-1 flex items-center justify-between gap-2">
        <span className="text-muted">Use</span>
        <select className="field w-44" value={use} onChange={(e) => setUse(e.target.value)}>
          <option value="">not said</option>
          {[...new Set([...uses, ...(use ? [use] : [])])].map((u) => (
            <option key={u} value={u}>
              {spoken(u)}
            </option>
          ))}
        </select>
      </label>
      {copied && (
        <p className="mb-1 text-sm text-muted">
          The storey has the plan of {copied}: the name is given there, too.
        </p>
      )}
      <div className="flex gap-1.5">
        <button className="btn btn-main" type="submit">
          Name it
        </button>
        <button className="btn" type="button" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}
