import { describe, expect, it } from 'vitest';
import { openGroups, stepGroups, type Open, type Step } from './planSteps';

const step = (number: number, code: string, area: number) =>
  ({ number, finding: `f${number}`, code, area }) as Step;
const open = (finding: string, code: string, ...labels: string[]) =>
  ({ finding, code, choices: labels.map((label) => ({ label })) }) as Open;

describe('a repair plan', () => {
  it('has its steps by kind of fault, with their area', () => {
    const groups = stepGroups([step(1, 'A', 2), step(2, 'B', 1), step(3, 'A', 3)]);
    expect(groups.map((g) => [g.code, g.steps.map((s) => s.number), g.area])).toEqual([
      ['A', [1, 3], 5],
      ['B', [2], 1],
    ]);
  });

  it('has its questions by kind, with the answers that do for several', () => {
    const groups = openGroups([open('a', 'A', 'x', 'y'), open('b', 'B', 'x'), open('c', 'A', 'x')]);
    expect(groups.map((g) => g.code)).toEqual(['A', 'B']);
    expect(groups[0].common.map((c) => [c.label, c.of.map((o) => o.finding)])).toEqual([
      ['x', ['a', 'c']],
    ]);
    expect(groups[1].common).toEqual([]);
  });
});
