// @vitest-environment happy-dom
import { act, fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answers, eachAnew, show } from '../shared/testPage';
import { Drop } from './Drop';
import { useIntake } from '../shared/useIntake';

eachAnew();

function Dropped() {
  return <Drop intake={useIntake('1')} />;
}

/** The stream of a job's events, as the test sends them. */
class Stream extends EventTarget {
  static last: Stream | null = null;
  closed = false;
  readonly url: string;
  constructor(url: string) {
    super();
    this.url = url;
    Stream.last = this;
  }
  close() {
    this.closed = true;
  }
  say(job: object) {
    act(() => {
      this.dispatchEvent(new MessageEvent('job', { data: JSON.stringify(job) }));
    });
  }
}

const JOB = {
  id: 'j',
  state: 'queued',
  message: 'Waiting',
  progress: 0,
  fileName: 'house.ifc',
  size: 2_500_000,
};
const POST = 'POST /api/projects/1/deliveries?name=house.ifc';
const FILE = new File(['ISO-10303-21;'], 'house.ifc');

beforeEach(() => {
  sessionStorage.clear();
  Stream.last = null;
  vi.stubGlobal('EventSource', Stream);
});

describe('bringing a file in', () => {
  it('sends the chosen file and follows its reading', async () => {
    const asked = answers({ [POST]: JOB });
    const { user } = show(<Dropped />);
    await user.upload(screen.getByTestId('file'), FILE);
    expect(await screen.findByText('Waiting')).toBeTruthy();
    expect(asked[0].method).toBe('POST');
    expect(Stream.last!.url).toBe('/api/jobs/j/events');
    Stream.last!.say({ ...JOB, state: 'running', message: 'Reading spaces', progress: 0.4 });
    expect(screen.getByText('Reading spaces')).toBeTruthy();
    expect(screen.getByLabelText<HTMLProgressElement>('Progress of reading').value).toBeCloseTo(
      0.4,
    );
  });

  it('opens the delivery when it has been read', async () => {
    answers({ [POST]: JOB });
    const { user } = show(<Dropped />);
    await user.upload(screen.getByTestId('file'), FILE);
    await screen.findByText('Waiting');
    Stream.last!.say({ ...JOB, state: 'done', deliveryId: 'd7' });
    expect(screen.getByTestId('address').textContent).toBe('/p/1/intake?delivery=d7');
    expect(Stream.last!.closed).toBe(true);
    expect(sessionStorage.length).toBe(0);
  });

  it('says what was wrong with a file, and where', async () => {
    answers({ [POST]: JOB });
    const { user } = show(<Dropped />);
    await user.upload(screen.getByTestId('file'), FILE);
    await screen.findByText('Waiting');
    Stream.last!.say({
      ...JOB,
      state: 'failed',
      message: 'A string never ends.',
      line: 12,
      column: 4,
    });
    const fault = screen.getByTestId('intake-fault');
    expect(fault.textContent).toContain('house.ifc could not be taken in.');
    expect(fault.textContent).toContain('A string never ends.');
    expect(fault.textContent).toContain('Line 12, column 4');
    await user.click(screen.getByRole('button', { name: 'Close' }));
    expect(screen.queryByTestId('intake-fault')).toBeNull();
  });

  it('says why a file was refused at once', async () => {
    answers({ [POST]: new Error('The file is larger than 512 MB.') });
    const { user } = show(<Dropped />);
    await user.upload(screen.getByTestId('file'), FILE);
    expect(await screen.findByText('The file is larger than 512 MB.')).toBeTruthy();
    expect(screen.getByText('Drop an IFC, gbXML or plan file here')).toBeTruthy();
  });

  it('takes a dropped file', async () => {
    const asked = answers({ [POST]: JOB });
    show(<Dropped />);
    const drop = screen.getByTestId('drop');
    fireEvent.dragOver(drop);
    expect(drop.className).toContain('border-kelp');
    fireEvent.drop(drop, { dataTransfer: { files: [FILE] } });
    expect(await screen.findByText('Waiting')).toBeTruthy();
    expect(asked).toHaveLength(1);
  });

  it('stops reading when asked to', async () => {
    const asked = answers({ [POST]: JOB, 'DELETE /api/jobs/j': { ...JOB, state: 'cancelled' } });
    const { user } = show(<Dropped />);
    await user.upload(screen.getByTestId('file'), FILE);
    await user.click(await screen.findByRole('button', { name: 'Stop reading' }));
    expect(asked.some((a) => a.method === 'DELETE')).toBe(true);
    Stream.last!.say({ ...JOB, state: 'cancelled' });
    expect(screen.getByText('Drop an IFC, gbXML or plan file here')).toBeTruthy();
    expect(screen.queryByTestId('intake-fault')).toBeNull();
  });

  it('goes on following after the page was loaded anew', () => {
    sessionStorage.setItem('yentra.job.1', 'j');
    show(<Dropped />);
    Stream.last!.say({ ...JOB, state: 'running', message: 'Checking' });
    expect(screen.getByText('Checking')).toBeTruthy();
  });
});
