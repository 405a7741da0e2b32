// @vitest-environment happy-dom
import { act, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { turnLead, useLayout } from '../model/layout';
import { Detail } from '../shared/Detail';
import { DossierFrame } from '../shared/DossierFrame';
import { SheetFrame } from '../shared/SheetFrame';
import { eachAnew, fakeEdits, show } from '../shared/testPage';
import { Arrangement } from './Arrangement';

eachAnew();
beforeEach(() => useLayout.setState(useLayout.getInitialState()));

let stages = 0;
function Stage() {
  // counts how often it is made, not how often it is drawn
  return <div data-testid="the-stage" ref={(el) => void (el && (stages += 1))} />;
}

function page(workspace: string, detail = true) {
  stages = 0;
  return show(
    <Arrangement
      workspace={workspace}
      stage={<Stage />}
      work={
        <SheetFrame tabs={[['rows', 'Rows', 3]]} tab="rows" onTab={() => {}}>
          <p>the rows</p>
          {detail && <Detail label="The row">what is said of the row</Detail>}
        </SheetFrame>
      }
      side={
        <DossierFrame edits={fakeEdits()} clearable={false}>
          the building
        </DossierFrame>
      }
    />,
  );
}

const dossier = () => within(screen.getByTestId('dossier'));

describe('the arrangement', () => {
  it('has details beside the table under the model, and the building in the dossier', () => {
    page('envelope');
    expect(screen.getByTestId('arrangement').dataset.lead).toBe('model');
    expect(dossier().queryByText('what is said of the row')).toBeNull();
    expect(dossier().getByText('the building')).toBeTruthy();
  });

  it('has them in the dossier where the table has the room', () => {
    page('thermal');
    expect(screen.getByTestId('arrangement').dataset.lead).toBe('work');
    expect(dossier().getByText('what is said of the row')).toBeTruthy();
    expect(dossier().queryByText('the building')).toBeNull();
  });

  it('shows the building where the table says nothing of a row', () => {
    page('thermal', false);
    expect(dossier().getByText('the building')).toBeTruthy();
  });

  it('is turned round without making the model anew', () => {
    page('thermal');
    const stage = screen.getByTestId('the-stage');
    act(() => turnLead('thermal'));
    expect(screen.getByTestId('arrangement').dataset.lead).toBe('model');
    expect(screen.getByTestId('the-stage')).toBe(stage);
    expect(dossier().queryByText('what is said of the row')).toBeNull();
    act(() => turnLead('thermal'));
    expect(screen.getByTestId('the-stage')).toBe(stage);
  });

  it('folds the sheet under the model to its tabs, and its handle goes with it', async () => {
    const { user } = page('envelope');
    expect(screen.getByRole('separator', { name: 'Height of the sheet' })).toBeTruthy();
    await user.click(screen.getByTitle('Fold the sheet'));
    expect(screen.queryByText('the rows')).toBeNull();
    expect(screen.queryByRole('separator', { name: 'Height of the sheet' })).toBeNull();
    await user.click(screen.getByTitle('Unfold the sheet'));
    expect(screen.getByText('the rows')).toBeTruthy();
  });

  it('stacks its parts where a window is too small for them beside each other', () => {
    const sized = (w: number, h: number) =>
      act(() => {
        Object.assign(window, { innerWidth: w, innerHeight: h });
        window.dispatchEvent(new Event('resize'));
      });
    const { innerWidth, innerHeight } = window;
    page('envelope');
    const areas = () => screen.getByTestId('arrangement').style.gridTemplateAreas;
    sized(640, 400);
    expect(areas()).toBe('"stage" "work" "side"');
    expect(screen.queryByRole('separator')).toBeNull();
    act(() => turnLead('envelope'));
    expect(areas()).toBe('"work" "side" "stage"');
    sized(innerWidth, innerHeight);
    expect(areas()).toBe('"work stage" "work side"');
  });

  it('remembers what is dragged', async () => {
    const { user } = page('envelope');
    screen.getByRole('separator', { name: 'Width of the column at the right' }).focus();
    const before = useLayout.getState().side;
    await user.keyboard('{ArrowLeft}');
    expect(before).toBeNull();
    expect(useLayout.getState().side).toBeGreaterThan(260);
  });
});
