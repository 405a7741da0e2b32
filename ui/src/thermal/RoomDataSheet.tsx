import { useRef, useState } from 'react';
import { Download } from 'lucide-react';
import { api, type RoomData } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';

/** Differences shown at once. */
const SHOWN = 60;

/** The room data sheet out, and in again: what differs is shown before it is taken. */
export function RoomDataSheet({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const set = useView((s) => s.set);
  const input = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<RoomData | null>(null);
  const id = index.model.delivery.id;

  async function bring(f: File) {
    try {
      setRead(await api.readRooms(id, f));
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  return (
    <div className="mt-3" data-testid="rooms">
      <h2 className="kicker">Room data sheet</h2>
      <div className="flex flex-wrap gap-1.5">
        <a
          className="btn"
          href={`/api/deliveries/${id}/rooms/file`}
          download
          data-testid="rooms-out"
          title="One row a space, as a spreadsheet"
        >
          <Download size={13} /> Save it
        </a>
        <button
          className="btn"
          title="XLSX or CSV; rows are matched by id, else by name"
          onClick={() => input.current?.click()}
        >
          Bring one in …
        </button>
      </div>
      <input
        ref={input}
        type="file"
        className="hidden"
        accept=".xlsx,.csv"
        data-testid="rooms-file"
        onChange={(e) => {
          const f = e.target.files?.[0];
          e.target.value = '';
          if (f) void bring(f);
        }}
      />
      {read && (
        <div className="mt-1.5 border-t border-line pt-1" data-testid="rooms-read">
          <p className="font-semibold">
            {count(read.matched, 'row')} matched, {count(read.changes.length, 'difference')}
            {read.faults.length > 0 && `, ${count(read.faults.length, 'row')} left out`}
          </p>
          {read.faults.map((f, i) => (
            <p key={i} className="text-sm text-error">
              Row {f.row}
              {f.column && `, ${f.column}`}: {f.message}
            </p>
          ))}
          {read.changes.slice(0, SHOWN).map((c, i) => (
            <p key={i} className="text-sm leading-[19px]">
              {c.name}, {c.field.toLowerCase()}: {c.before || 'none'} → <b>{c.after}</b>
            </p>
          ))}
          {read.changes.length > SHOWN && (
            <p className="text-sm text-muted">and {read.changes.length - SHOWN} more</p>
          )}
          {read.missing.length > 0 && (
            <p className="text-sm text-muted">No row for: {read.missing.join(', ')}</p>
          )}
          <div className="mt-1 flex gap-1.5">
            <button
              className="btn btn-main"
              disabled={!read.rooms.length}
              data-testid="take-rooms"
              onClick={() => {
                edits.consider({ kind: 'TakeRoomData', rooms: read.rooms }, 'Take the room data');
                setRead(null);
              }}
            >
              Show what they do
            </button>
            <button className="btn" onClick={() => setRead(null)}>
              Leave them
            </button>
          </div>
        </div>
      )}
    </div>
  );
}
