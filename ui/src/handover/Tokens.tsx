import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { KeyRound, Trash2 } from 'lucide-react';
import { api } from '../model/api';
import { moment } from '../model/words';

/** Tokens with which other machines fetch the newest handover. */
export function Tokens({ project }: { project: string }) {
  const client = useQueryClient();
  const { data } = useQuery({ queryKey: ['tokens', project], queryFn: () => api.tokens(project) });
  const [label, setLabel] = useState('');
  const [made, setMade] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const reload = () => client.invalidateQueries({ queryKey: ['tokens', project] });

  async function make(e: React.FormEvent) {
    e.preventDefault();
    setError(null);
    try {
      setMade((await api.makeToken(project, label)).token ?? null);
      setLabel('');
      await reload();
    } catch (x) {
      setError(x instanceof Error ? x.message : String(x));
    }
  }

  const address = `${location.origin}/api/handovers/newest`;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-2" data-testid="tokens">
      <p className="max-w-[70ch]">
        A build server fetches the newest handover of this project with a token. It is answered
        “unchanged” as long as nothing new was handed over.
      </p>
      <pre className="my-1.5 overflow-x-auto rounded-sm border border-line bg-paper px-2 py-1.5 font-mono text-[11px]">
        {`./yentra fetch ${address} --token TOKEN -o newest.zip
curl -H "Authorization: Bearer TOKEN" -o newest.xml "${address}?format=gbxml-6.01"`}
      </pre>
      <form className="flex items-center gap-2" onSubmit={(e) => void make(e)}>
        <label className="flex items-center gap-2">
          Who is it for?
          <input
            className="field w-52"
            value={label}
            maxLength={120}
            onChange={(e) => setLabel(e.target.value)}
          />
        </label>
        <button className="btn" disabled={!label.trim()} data-testid="make-token">
          <KeyRound size={13} /> Make a token
        </button>
      </form>
      {error && (
        <p className="mt-1 font-semibold text-blocker" role="alert">
          {error}
        </p>
      )}
      {made && (
        <p className="mt-1.5" role="status">
          Copy it now, it is shown this once:{' '}
          <code className="rounded-sm bg-kelp-soft px-1 py-0.5 font-mono" data-testid="token">
            {made}
          </code>
        </p>
      )}
      <ul className="mt-2">
        {data?.map((t) => (
          <li
            key={t.id}
            className="flex items-center gap-3 border-b border-line/60 py-1"
            data-testid="token-row"
          >
            <span className="min-w-0 flex-1 truncate">
              <span className="font-semibold">{t.label}</span>{' '}
              <span className="text-muted">
                made by {t.madeBy}, {moment(t.madeAt)};{' '}
                {t.usedAt ? `last used ${moment(t.usedAt)}` : 'not used yet'}
              </span>
            </span>
            <button
              className="btn-quiet"
              aria-label={`Take away the token of ${t.label}`}
              onClick={() =>
                api
                  .dropToken(project, t.id)
                  .then(reload)
                  .catch((x: Error) => setError(x.message))
              }
            >
              <Trash2 size={13} /> Take away
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
