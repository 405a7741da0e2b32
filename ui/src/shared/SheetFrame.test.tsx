// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { ArrangedContext, useArranged } from './arrangement';
import { SheetFrame } from './SheetFrame';
import { eachAnew, show } from './testPage';

eachAnew();

function Frame() {
  const [tab, setTab] = useState<'spaces' | 'surfaces' | 'log'>('spaces');
  return (
    <SheetFrame
      tabs={[
        ['spaces', 'Spaces', 2],
        ['surfaces', 'Surfaces', 3],
        ['log', 'Log', ''],
      ]}
      tab={tab}
      onTab={setTab}
      tools={<button>Tool</button>}
    >
      <p>the table of {tab}</p>
    </SheetFrame>
  );
}

describe('the sheet', () => {
  it('shows the table of the chosen tab', async () => {
    const { user } = show(<Frame />);
    expect(screen.getByText('the table of spaces')).toBeTruthy();
    await user.click(screen.getByRole('tab', { name: 'Log' }));
    expect(screen.getByText('the table of log')).toBeTruthy();
    expect(screen.getByRole('tab', { name: 'Log' }).getAttribute('aria-selected')).toBe('true');
  });

  it('goes from tab to tab by arrow keys, round at the end', async () => {
    const { user } = show(<Frame />);
    screen.getByRole('tab', { name: /Spaces/ }).focus();
    await user.keyboard('{ArrowRight}');
    expect(screen.getByText('the table of surfaces')).toBeTruthy();
    await user.keyboard('{ArrowLeft}{ArrowLeft}');
    expect(screen.getByText('the table of log')).toBeTruthy();
  });

  it('folds away under the model, and comes back when a tab is chosen', async () => {
    const folds: boolean[] = [];
    function Folding() {
      const [folded, setFolded] = useState(false);
      const fold = () => {
        folds.push(!folded);
        setFolded(!folded);
      };
      return (
        <ArrangedContext value={{ ...useArranged(), lead: 'model', folded, fold }}>
          <Frame />
        </ArrangedContext>
      );
    }
    const { user } = show(<Folding />);
    await user.click(screen.getByTitle('Fold the sheet'));
    expect(screen.queryByText('the table of spaces')).toBeNull();
    await user.click(screen.getByRole('tab', { name: /Surfaces/ }));
    expect(screen.getByText('the table of surfaces')).toBeTruthy();
    expect(folds).toEqual([true, false]);
  });

  it('has nothing to fold where it has the room', () => {
    show(<Frame />);
    expect(screen.queryByTitle('Fold the sheet')).toBeNull();
  });

  it('has room for tools beside the tabs', () => {
    show(<Frame />);
    expect(screen.getByRole('button', { name: 'Tool' })).toBeTruthy();
  });
});
