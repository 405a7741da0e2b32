// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { beforeAll, describe, expect, it } from 'vitest';
import { eachAnew, show } from '../shared/testPage';
import { tellCutTexts } from './cutTexts';

eachAnew();
beforeAll(tellCutTexts);

/** Of a text so many pixels are seen. */
function sized(text: string, whole: number, seen: number) {
  const el = screen.getByText(text);
  Object.defineProperty(el, 'scrollWidth', { value: whole, configurable: true });
  Object.defineProperty(el, 'clientWidth', { value: seen, configurable: true });
  fireEvent.mouseOver(el);
  return el;
}

describe('a text that is cut off', () => {
  it('is told whole, and no longer when there is room', () => {
    show(<p className="truncate">South wall of the boat hall</p>);
    expect(sized('South wall of the boat hall', 190, 90).title).toBe('South wall of the boat hall');
    expect(sized('South wall of the boat hall', 190, 200).hasAttribute('title')).toBe(false);
  });

  it('is told of what is chosen in a list', () => {
    show(
      <select aria-label="Use">
        <option>Fire station, as delivered</option>
      </select>,
    );
    const list = screen.getByLabelText('Use');
    fireEvent.mouseOver(list);
    expect(list.title).toBe('Fire station, as delivered');
  });

  it('keeps what it or its holder says already', () => {
    show(
      <div title="said already">
        <p className="truncate">Roof</p>
      </div>,
    );
    expect(sized('Roof', 90, 20).hasAttribute('title')).toBe(false);
    show(<p>not cut at all</p>);
    expect(sized('not cut at all', 90, 20).hasAttribute('title')).toBe(false);
  });
});
