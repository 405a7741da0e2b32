import { useEffect, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, ProblemError, type Job } from '../model/api';

/** What went wrong with a file, and where in it. */
export interface IntakeFault {
  file: string;
  message: string;
  line: number;
  column: number;
}

const KEY = (project: string) => `yentra.job.${project}`;

/** Bringing a file in: upload, then progress of its reading until it is there or refused. Survives a reload of the page. */
export function useIntake(project: string) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [job, setJob] = useState<Job | null>(null);
  const [sending, setSending] = useState<string | null>(null);
  const [fault, setFault] = useState<IntakeFault | null>(null);
  const [listening, setListening] = useState<string | null>(() =>
    sessionStorage.getItem(KEY(project)),
  );

  useEffect(() => {
    if (!listening) return;
    const source = new EventSource(`/api/jobs/${listening}/events`);
    const stop = () => {
      source.close();
      sessionStorage.removeItem(KEY(project));
      setListening(null);
    };
    source.addEventListener('job', (e) => {
      const now = JSON.parse((e as MessageEvent<string>).data) as Job;
      setJob(now);
      if (now.state === 'done') {
        stop();
        setJob(null);
        void client.invalidateQueries({ queryKey: ['project', project] });
        void navigate(`/p/${project}/intake?delivery=${now.deliveryId}`);
      } else if (now.state === 'failed' || now.state === 'cancelled') {
        stop();
        setJob(null);
        if (now.state === 'failed')
          setFault({
            file: now.fileName,
            message: now.message,
            line: now.line,
            column: now.column,
          });
      }
    });
    return () => source.close();
  }, [listening, project, client, navigate]);

  async function bring(file: File) {
    setFault(null);
    setSending(file.name);
    try {
      const queued = await api.deliver(project, file);
      sessionStorage.setItem(KEY(project), queued.id);
      setJob(queued);
      setListening(queued.id);
    } catch (e) {
      const p = e instanceof ProblemError ? e : null;
      setFault({
        file: file.name,
        message: e instanceof Error ? e.message : String(e),
        line: Number(p?.details.line ?? 0),
        column: Number(p?.details.column ?? 0),
      });
    } finally {
      setSending(null);
    }
  }

  return {
    job,
    sending,
    fault,
    bring,
    cancel: () => job && void api.cancelJob(job.id),
    dismiss: () => setFault(null),
  };
}
