import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { inTurn, withNextFrame } from '../src/data/frames.js';
import { Telling } from '../src/data/source.js';
import { useCalm, useFollowed } from '../src/data/use-calm.js';
import { InTurn, MovingContext } from '../src/parts/in-turn.js';
import { useSame } from '../src/parts/use-same.js';
import { alike } from '../src/scene/flat/cloth.js';

interface Hand {
  readonly moving: boolean;
  readonly at: number;
}
class Moved extends Telling<Hand> {
  constructor() {
    super({ moving: false, at: 0 });
  }
  put(part: Partial<Hand>): void {
    this.show(part);
  }
}

/** Frame after frame, by hand. */
const frames: FrameRequestCallback[] = [];
const picture = (): void => {
  for (const f of frames.splice(0)) f(0);
};
const real = globalThis.requestAnimationFrame;
beforeEach(() => {
  jest.useFakeTimers();
  globalThis.requestAnimationFrame = (f) => frames.push(f);
});
afterEach(() => {
  while (frames.length > 0) picture();
  globalThis.requestAnimationFrame = real;
  jest.useRealTimers();
});

describe('what follows a hand', () => {
  it('does all that is due with one picture, each once', () => {
    const [a, b] = [jest.fn(), jest.fn()];
    withNextFrame(a);
    withNextFrame(b);
    withNextFrame(a);
    expect(frames).toHaveLength(1);
    picture();
    expect([a.mock.calls.length, b.mock.calls.length]).toEqual([1, 1]);
    picture();
    expect(a).toHaveBeenCalledTimes(1);
  });

  it('gives turns in the order asked, one every other picture, and none to who has left', () => {
    const went: string[] = [];
    const [a, b, c] = ['a', 'b', 'c'].map((id) => inTurn(() => went.push(id)));
    a!.wait();
    b!.wait();
    c!.wait();
    a!.wait();
    c!.leave();
    const seen = Array.from({ length: 5 }, () => {
      picture();
      return went.join('');
    });
    expect(seen).toEqual(expect.arrayContaining(['a', 'ab']));
    expect(seen.filter((s, i) => i > 0 && s.length - seen[i - 1]!.length > 1)).toEqual([]);
    expect(went).toEqual(['a', 'b']);
    expect(frames).toHaveLength(0);
  });

  it('is read at the pace of a reader while the hand moves, and at once when it rests', () => {
    const hand = new Moved();
    function Both(): ReactElement {
      return (
        <>
          <p aria-label="scene">{useFollowed(hand).at}</p>
          <p aria-label="number">{useCalm(hand).at}</p>
        </>
      );
    }
    render(<Both />);
    const shown = (): string[] => ['scene', 'number'].map((n) => screen.getByLabelText(n).textContent!);
    act(() => hand.put({ moving: true, at: 1 }));
    act(picture);
    expect(shown()).toEqual(['1', '0']);
    act(() => hand.put({ at: 2 }));
    act(picture);
    expect(shown()).toEqual(['2', '0']);
    act(() => void jest.advanceTimersByTime(1000));
    expect(shown()).toEqual(['2', '2']);
    act(() => hand.put({ at: 3 }));
    act(() => hand.put({ moving: false, at: 4 }));
    expect(shown()).toEqual(['4', '4']);
    act(() => hand.put({ at: 5 }));
    expect(shown()).toEqual(['5', '5']);
  });

  it('stays as drawn until its turn, and is never behind at rest', () => {
    const panel = (moving: boolean, text: string): ReactElement => (
      <MovingContext.Provider value={moving}>
        <InTurn>
          <p>{text} one</p>
        </InTurn>
        <InTurn>
          <p>{text} two</p>
        </InTurn>
      </MovingContext.Provider>
    );
    const { rerender, container, unmount } = render(panel(false, 'old'));
    rerender(panel(true, 'new'));
    expect(container.textContent).toBe('old oneold two');
    act(picture);
    if (container.textContent === 'old oneold two') act(picture);
    expect(container.textContent).toBe('new oneold two');
    rerender(panel(true, 'newer'));
    act(picture);
    act(picture);
    act(picture);
    expect(container.textContent).toContain('newer two');
    rerender(panel(false, 'last'));
    expect(container.textContent).toBe('last onelast two');
    rerender(panel(true, 'gone'));
    unmount();
    while (frames.length > 0) act(picture);
  });
});

describe('what stays the same', () => {
  it('is a list of the same things', () => {
    const seen: unknown[] = [];
    function Keeps({ list }: { readonly list: readonly object[] }): ReactElement | null {
      seen.push(useSame(list));
      return null;
    }
    const [a, b] = [{}, {}];
    const first = [a, b];
    const { rerender } = render(<Keeps list={first} />);
    rerender(<Keeps list={[a, b]} />);
    expect(seen.at(-1)).toBe(first);
    const other = [b, a];
    rerender(<Keeps list={other} />);
    expect(seen.at(-1)).toBe(other);
  });

  it('is drawn together only with its neighbours, in the order it came', () => {
    const looks = [1, 1, 2, 1, 1, 1, 3];
    const runs = alike(looks.keys(), (t) => looks[t]!);
    expect(runs.map((r) => [r.like, r.of.length])).toEqual([
      [1, 2],
      [2, 1],
      [1, 3],
      [3, 1],
    ]);
    expect(runs.flatMap((r) => r.of)).toEqual([...looks.keys()]);
  });
});
