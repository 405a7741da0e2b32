// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { indexModel } from '../model/model';
import { useView } from '../model/state';
import { finding, model, space } from '../model/testModel';
import type { Checks } from '../model/useChecks';
import { answers, eachAnew, show } from '../shared/testPage';
import { advice } from './advice';
import { Next } from './Next';

eachAnew();

const CHECK = { code: 'SPC-401', workspace: 'envelope' };
const CHECKS = new Map([
  ['SPC-401', CHECK],
  ['THM-701', { code: 'THM-701', workspace: 'thermal' }],
]) as never as Checks;

function holding(...findings: object[]) {
  return indexModel({
    ...model({ spaces: [space('a')], findings: findings as never }),
    path: [
      { workspace: 'envelope', text: 'All enclosed', mark: 'clear' },
      { workspace: 'thermal', text: '1 unassigned', mark: 'open' },
      { workspace: 'handover', text: '1 error open', mark: 'open' },
    ] as never,
  });
}

const error = { ...finding('f1', 'a'), code: 'SPC-401', severity: 'error' };
const blocker = { ...finding('f2', 'a'), code: 'SPC-401', severity: 'blocker' };
const thermal = { ...finding('f3', 'a'), code: 'THM-701', severity: 'error' };

describe('what is next', () => {
  it('is the worst finding of the workspace', () => {
    const next = advice(holding(error, blocker, thermal), CHECKS, 'envelope')!;
    expect(next.finding?.id).toBe('f2');
    expect(next.text).toContain('2 findings to answer here.');
  });

  it('is another workspace when nothing is open here', () => {
    const next = advice(holding(thermal), CHECKS, 'envelope')!;
    expect(next).toMatchObject({ workspace: 'thermal', label: 'On to Thermal: 1 unassigned' });
  });

  it('is the handover when nothing is open at all; what was accepted and notes do not count', () => {
    const accepted = { ...error, accepted: { holds: true, reason: 'r', by: 'b', at: '' } };
    const note = { ...finding('f9'), severity: 'note', code: 'SPC-401' };
    expect(advice(holding(accepted, note), CHECKS, 'envelope')!.workspace).toBe('handover');
    expect(advice(holding(note), CHECKS, 'handover')!.text).toContain('Write the file');
  });

  it('says before a handover what would go with the file', () => {
    expect(advice(holding(thermal), CHECKS, 'handover')!.text).toBe(
      '1 finding would go with the file.',
    );
  });

  it('is shown when a person says so', async () => {
    answers({ 'GET /api/checks': [CHECK] });
    const { user } = show(<Next index={holding(error)} workspace="envelope" project="1" />);
    await user.click(await screen.findByRole('button', { name: 'Show it' }));
    expect(useView.getState().finding).toBe('f1');
  });
});
