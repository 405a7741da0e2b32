import { useRef, useState } from 'react';
import { FileUp } from 'lucide-react';
import { bytes } from '../model/words';
import type { useIntake } from '../shared/useIntake';

/** A place to drop a file or pick one, its progress, and what was wrong with it. */
export function Drop({ intake, wide }: { intake: ReturnType<typeof useIntake>; wide?: boolean }) {
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const busy = intake.sending !== null || intake.job !== null;
  return (
    <div>
      <div
        className={`flex flex-col items-center justify-center gap-2 rounded-sm border-2 border-dashed px-4 text-center ${wide ? 'py-10' : 'py-4'} ${over ? 'border-kelp bg-kelp-soft' : 'border-line bg-paper'}`}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          setOver(false);
          const file = e.dataTransfer.files[0];
          if (file && !busy) void intake.bring(file);
        }}
        data-testid="drop"
      >
        {intake.job ? (
          <>
            <p className="font-semibold">{intake.job.message}</p>
            <progress
              className="h-2 w-64 accent-kelp"
              max={1}
              value={intake.job.progress}
              aria-label="Progress of reading"
            />
            <p className="text-sm text-muted">
              <span className="break-all">{intake.job.fileName}</span>, {bytes(intake.job.size)}.
              Reading goes on when you leave this page.
            </p>
            <button className="btn" onClick={intake.cancel}>
              Stop reading
            </button>
          </>
        ) : intake.sending ? (
          <p className="font-semibold">Sending {intake.sending} …</p>
        ) : (
          <>
            <FileUp size={22} className="text-kelp" />
            <p className="font-semibold">Drop an IFC, gbXML or plan file here</p>
            <button className="btn btn-main" onClick={() => input.current?.click()}>
              Choose a file
            </button>
          </>
        )}
        <input
          ref={input}
          type="file"
          className="hidden"
          data-testid="file"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) void intake.bring(file);
          }}
        />
      </div>
      {intake.fault && (
        <div
          className="mt-2 rounded-sm border border-blocker bg-panel px-3 py-2"
          role="alert"
          data-testid="intake-fault"
        >
          <p className="font-semibold text-blocker">{intake.fault.file} could not be taken in.</p>
          <p>{intake.fault.message}</p>
          {intake.fault.line > 0 && (
            <p className="text-muted">
              Line {intake.fault.line}, column {intake.fault.column}. Nothing was changed in the
              project.
            </p>
          )}
          <button className="btn mt-1" onClick={intake.dismiss}>
            Close
          </button>
        </div>
      )}
    </div>
  );
}
