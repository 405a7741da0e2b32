// @vitest-environment happy-dom
import { act, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { awaited, useUnderway } from '../model/underway';
import { eachAnew, show } from '../shared/testPage';
import { BusyLine } from './BusyLine';

eachAnew();
beforeEach(() => {
  vi.useFakeTimers();
  useUnderway.setState({ n: 0 });
});
afterEach(() => vi.useRealTimers());

const later = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('the busy line', () => {
  it('is there for what takes longer than a moment, until the last answer', async () => {
    show(<BusyLine />);
    const answers: (() => void)[] = [];
    const ask = () => void awaited(new Promise<void>((done) => answers.push(done)));
    act(ask);
    await later(200);
    expect(screen.queryByText('Working …')).toBeNull();
    act(ask);
    await later(150);
    expect(screen.getByText('Working …')).toBeTruthy();
    answers[0]();
    await later(0);
    expect(screen.getByText('Working …')).toBeTruthy();
    answers[1]();
    await later(0);
    expect(screen.queryByText('Working …')).toBeNull();
  });

  it('goes when an answer fails, and never comes for what is quick', async () => {
    show(<BusyLine />);
    let fail = () => {};
    act(() => {
      awaited(new Promise((_, no) => (fail = () => no(new Error('gone'))))).catch(() => {});
    });
    await later(400);
    expect(screen.getByText('Working …')).toBeTruthy();
    fail();
    await later(0);
    expect(screen.queryByText('Working …')).toBeNull();
    act(() => void awaited(Promise.resolve()));
    await later(400);
    expect(screen.queryByText('Working …')).toBeNull();
  });
});
