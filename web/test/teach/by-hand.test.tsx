import { afterEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { drillOf } from '@rough-bight/core/drill';
import type { Drill, DrillKind, Guess, Said } from '@rough-bight/core/drill';
import { answerNumber } from '@rough-bight/core/words';
import { source } from '../../../core/test/drill/helper.js';
import { Looked, Saying, SureOf, saidWords } from '../../src/views/drills/ask.js';
import type { Sure } from '../../src/views/drills/ask.js';
import { Shown, letterOf } from '../../src/views/drills/by-hand.js';
import { usePlayed } from '../../src/views/drills/played.js';
import { press } from '../press.js';
import { render } from '../render.js';

afterEach(cleanup);
const UNITS = { length: 'm', force: 'N' } as const;

/** A drill of a kind, of the first demo rig that has it to ask. */
function drill(kind: DrillKind): Drill {
  for (const name of ['gravel-spit-gable', 'hammock-fly', 'mess-roof'])
    for (let seed = 1; seed < 20; seed++) {
      const made = drillOf(kind, source(name), seed, 0.2);
      if (made !== null) return made.drill;
    }
  throw new Error(`Nothing to ask: ${kind}`);
}

/** Holds what is said, as the views do. */
function Held({ of, shut = false }: { readonly of: Drill; readonly shut?: boolean }): ReactElement {
  const [said, setSaid] = useState<Said | null>(null);
  return (
    <>
      <Shown
        drill={of}
        picture={of.shown.picture}
        label="the rig"
        units={UNITS}
        said={said}
        onSaid={shut ? null : setSaid}
      />
      <Saying drill={of} said={said} onSaid={setSaid} units={UNITS} />
      <output>{JSON.stringify(said)}</output>
    </>
  );
}
const said = (): Said | null => JSON.parse(screen.getByRole('status').textContent!) as Said | null;
const hand = (name: RegExp): HTMLElement => screen.getByRole('slider', { name });
const key = (on: HTMLElement, k: string, times = 1): Promise<void> =>
  act(async () => {
    for (let i = 0; i < times; i++) fireEvent.keyDown(on, { key: k });
    await Promise.resolve();
  });

describe('a guess by hand', () => {
  test('an arrow is drawn out by the keys: each key more, each as much more; what a hand sets has two figures', async () => {
    const pull = drill('pull');
    render(<Held of={pull} />);
    const arrow = hand(/draw the arrow out/);
    expect(said()).toBeNull();
    await key(arrow, 'ArrowRight', 8);
    const first = said() as number;
    await key(hand(/draw the arrow out/), 'ArrowRight', 8);
    const second = said() as number;
    expect(second).toBeGreaterThan(first);
    for (const n of [first, second]) expect(Number(n.toPrecision(2))).toBe(n);
    expect(hand(/draw the arrow out/).getAttribute('aria-valuetext')).toBe(`${second} N`);
    expect(Number(hand(/draw the arrow out/).getAttribute('aria-valuenow'))).toBeCloseTo(second, 0);
  });
  test('nobody is told before they said anything, and no truth is drawn while it is open', () => {
    const pull = drill('pull');
    render(<Held of={pull} />);
    expect(hand(/draw the arrow out/).getAttribute('aria-valuetext')).toBe('nothing said yet');
    const paths = (of: Drill, shut: boolean): number => {
      cleanup();
      render(<Held of={of} shut={shut} />);
      return document.querySelectorAll('path').length;
    };
    const { truth: _, ...asked } = pull.asked as Drill['asked'] & { readonly form: 'number' };
    void _;
    const untold = { ...pull, asked } as unknown as Drill;
    expect(paths(pull, false)).toBe(paths(untold, false));
    // once it was said, the true arrow lies there too, and nothing can be moved
    expect(paths(pull, true)).toBe(paths(untold, true) + 1);
    expect(screen.queryByRole('slider')).toBeNull();
  });
  test('a line is drawn down in whole centimetres, and not above its chord', async () => {
    const sag = drill('sag');
    render(<Held of={sag} />);
    const line = /draw the line down/;
    await key(hand(line), 'ArrowDown', 3);
    const low = said() as number;
    expect(Math.round(low * 100)).toBeCloseTo(low * 100, 6);
    await key(hand(line), 'ArrowUp', 40);
    expect(said() as number).toBeGreaterThan(0);
    expect(said() as number).toBeLessThanOrEqual(low);
  });
  test('a foot is set on the plan in steps of five centimetres, and how far out is told', async () => {
    const foot = drill('foot');
    render(<Held of={foot} />);
    const set = /set the foot/;
    await key(hand(set), 'ArrowRight', 4);
    await key(hand(set), 'ArrowDown', 3);
    const [x, y] = said() as readonly [number, number];
    for (const v of [x, y]) expect(Math.round(v * 20)).toBeCloseTo(v * 20, 6);
    expect(screen.getByText(/out\.$/)).toBeTruthy();
    expect(hand(set).getAttribute('aria-valuetext')).toMatch(/ m out$/);
  });
  test('what is touched is taken, and so is what is chosen in the list; both say the same letters', async () => {
    const first = drill('first');
    const { asked, shown } = first;
    if (asked.form !== 'choice' || shown.hand?.form !== 'touch') throw new Error('not a touch');
    render(<Held of={first} />);
    for (const { id } of shown.hand.on) {
      const letter = letterOf(shown, id)!;
      await press(screen.getByText(letter));
      expect(said()).toBe(id);
      const option = within(screen.getByRole('combobox')).getByRole('option', { selected: true });
      expect(option.textContent.startsWith(`${letter}: `)).toBe(true);
    }
    fireEvent.change(screen.getByRole('combobox'), { target: { value: asked.options[0]!.id } });
    expect(said()).toBe(asked.options[0]!.id);
  });
  test('letters go to what can be touched, one each, and to nothing else', () => {
    const { shown } = drill('first');
    if (shown.hand?.form !== 'touch') throw new Error('not a touch');
    const letters = shown.hand.on.map((o) => letterOf(shown, o.id));
    expect(letters).toEqual(letters.map((_, k) => 'ABCDEFGHIJKL'[k]));
    expect(letterOf(shown, 'no such')).toBeNull();
    expect(letterOf(drill('pull').shown, 'ridge')).toBeNull();
  });
});

describe('a guess as words', () => {
  test('is told as it was said, with how sure', () => {
    const pull = drill('pull');
    const of = (guess: Guess): string => saidWords(pull, guess, UNITS);
    expect(of({ said: 240, sure: 0.7 })).toBe('You said 240 N, 70 % sure.');
    const first = drill('first');
    if (first.asked.form !== 'choice') throw new Error('not a choice');
    const [a] = first.asked.options;
    expect(saidWords(first, { said: a!.id, sure: 0.99 }, UNITS)).toBe(`You said ${a!.name}, 99 % sure.`);
    expect(saidWords(drill('foot'), { said: [1, 1], sure: 0.5 }, UNITS)).toBe('You set it, 50 % sure.');
  });
  test('a count is told whole, a wrap is no newton', () => {
    const wraps = drill('wraps');
    if (wraps.asked.form !== 'number') throw new Error('not a number');
    expect(wraps.asked.whole).toBe(true);
    expect(answerNumber(wraps.asked, wraps.asked.truth, UNITS)).toMatch(/^\w+( wraps?)?$/);
  });
  test('a number that cannot be is refused at its field and not said', async () => {
    render(<Held of={drill('pull')} />);
    const field = screen.getByRole('textbox', { name: /My guess/ });
    fireEvent.change(field, { target: { value: '-3' } });
    fireEvent.blur(field);
    await act(() => Promise.resolve());
    expect(said()).toBeNull();
    expect(field.getAttribute('aria-invalid')).toBe('true');
    fireEvent.change(field, { target: { value: '85' } });
    fireEvent.blur(field);
    await act(() => Promise.resolve());
    expect(said()).toBe(85);
  });
  test('how sure is one of four, told in per cent', () => {
    let sure: Sure = 0.7;
    render(<SureOf sure={sure} onSure={(s) => (sure = s)} />);
    const names = within(screen.getByRole('combobox'))
      .getAllByRole('option')
      .map((o) => o.textContent);
    expect(names).toEqual(['50 %', '70 %', '90 %', '99 %']);
    fireEvent.change(screen.getByRole('combobox'), { target: { value: '0.9' } });
    expect(sure).toBe(0.9);
  });
  test('what was seen is listed of a rig whose fault is asked for, and of no other', () => {
    const fault = drill('fault');
    render(<Looked drill={fault} units={UNITS} />);
    expect(screen.getAllByRole('listitem').length).toBeGreaterThan(2);
    cleanup();
    render(<Looked drill={drill('pull')} units={UNITS} />);
    expect(screen.queryByRole('list')).toBeNull();
  });
});

describe('a move that is seen', () => {
  function Played({ frames }: { readonly frames: readonly { readonly width: number }[] }): ReactElement {
    const now = usePlayed(frames as never);
    return <output>{now === null ? 'none' : String((now as { width: number }).width)}</output>;
  }
  const wait = (ms: number): Promise<void> => act(() => new Promise<void>((done) => setTimeout(done, ms)));
  const media = (still: boolean): void => {
    window.matchMedia = ((query: string) => ({ matches: still, media: query })) as never;
  };
  const FRAMES = [1, 2, 3, 4].map((width) => ({ width }));
  test('goes through every picture to the last and stays there', async () => {
    media(false);
    render(<Played frames={FRAMES} />);
    expect(screen.getByRole('status').textContent).toBe('1');
    await wait(700);
    expect(screen.getByRole('status').textContent).toBe('4');
  });
  test('is at its end at once where motion is not wanted', async () => {
    media(true);
    render(<Played frames={FRAMES} />);
    await wait(120);
    expect(screen.getByRole('status').textContent).toBe('4');
  });
  test('is nothing where there is nothing to see', () => {
    media(false);
    render(<Played frames={[]} />);
    expect(screen.getByRole('status').textContent).toBe('none');
  });
});
