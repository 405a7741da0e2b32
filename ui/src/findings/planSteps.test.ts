import { describe, expect, it } from 'vitest';
import { withDependents } from './planSteps';

const step = (number: number, ...objects: string[]) => ({ number, finding: 'f', objects });

describe('steps of a repair plan', () => {
  const steps = [step(1, 'a'), step(2, 'b'), step(3, 'a', 'c'), step(4, 'c'), step(5, 'd')];

  it('what builds on a step that is not taken goes too', () => {
    expect([...withDependents(steps, new Set(['f1']))]).toEqual(['f1', 'f3', 'f4']);
  });

  it('what came before it stays, and what has nothing to do with it', () => {
    expect([...withDependents(steps, new Set(['f4']))]).toEqual(['f4']);
    expect([...withDependents(steps, new Set(['f2']))]).toEqual(['f2']);
    expect([...withDependents(steps, new Set())]).toEqual([]);
  });
});
