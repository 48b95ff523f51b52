import { describe, expect, it, jest } from '@jest/globals';
import type { GustAsked, GustFrames, GustHead } from '@rough-bight/core/gusting';
import { FRAMES } from '@rough-bight/core/gusting';
import { Film } from '../src/views/bench/weather/film.js';
import type { RigQuestion } from '../src/workers/rig.worker.js';
import type { startGusts } from '../src/workers/use-gusts.js';

const head: GustHead = {
  lines: [{ id: 'ridge', name: 'ridgeline', line: 1, steady: 100, bears: 300, weakest: 'knot' }],
  ...{ law: 'plate', frames: 4 * FRAMES, places: 6, netLines: 2, sticks: 0, panels: 1, top: 9, raised: 0 },
};
/** Frames whose every number tells which frame it is. */
function frames(first: number, count: number): GustFrames {
  const of = (size: number, value: (frame: number, k: number) => number): Float32Array =>
    Float32Array.from({ length: size * count }, (_, i) => value(first + Math.floor(i / size), i % size));
  return {
    ...{ first, count },
    speed: of(1, (f) => f / 10),
    tension: of(2, (f, k) => (k === 0 ? 0 : f)),
    at: of(6, (f, k) => f + k / 10),
    push: new Float32Array(0),
    pressure: of(1, () => 1),
    stress: of(2, () => 1),
    state: new Uint8Array(count),
  };
}

function started() {
  let told!: Parameters<typeof startGusts>[2];
  let done!: Parameters<typeof startGusts>[3];
  const stop = jest.fn();
  const film = new Film({} as RigQuestion, {} as GustAsked, (_, __, t, d) => {
    [told, done] = [t, d];
    return stop;
  });
  const end = film.start();
  return { film, stop, end, told: () => told, done: () => done };
}

describe('a film of gusts', () => {
  it('has nothing to show until frames come, then the nearest there is', () => {
    const { film, told } = started();
    expect(film.shapeAt(0)).toBeNull();
    expect(film.peaks()).toEqual([]);
    expect(film.trace(null)).toEqual([]);
    const heard = jest.fn();
    film.subscribe(heard);
    told().begun(head);
    told().more(frames(0, 30));
    expect(heard).toHaveBeenCalledTimes(2);
    expect(film.read().got).toBe(30);
    // beyond what has come it stands at the last
    expect(film.shapeAt(3)!.frame).toBe(29);
    told().more(frames(30, 30));
    const now = film.shapeAt(40.5 / FRAMES)!;
    expect(now.frame).toBe(40);
    expect(now.speed).toBeCloseTo(4, 5);
    expect([...now.shape.at]).toEqual([0, 1, 2, 3, 4, 5].map((k) => Math.fround(40 + k / 10)));
    expect([...now.shape.tension]).toEqual([0, 40]);
    expect(film.shapeAt(-1)!.frame).toBe(0);
  });
  it('traces the largest of every tenth of a second, and knows each line’s peak', () => {
    const { film, told } = started();
    told().begun(head);
    told().more(frames(0, 30));
    told().more(frames(30, 30));
    expect(film.trace(1).map(([, v]) => v)).toEqual([5, 11, 17, 23, 29, 35, 41, 47, 53, 59]);
    expect(film.trace(null).at(-1)![1]).toBeCloseTo(5.9, 5);
    expect(film.peaks()).toEqual([{ pull: 59, time: 59 / FRAMES, slack: 1 / 60 }]);
  });
  it('says how it ended, why there is none, and that it was stopped; begun anew it is empty', () => {
    const { film, told, done, stop, end } = started();
    told().begun(head);
    told().more(frames(0, 30));
    done()({ ok: true, value: { audit: { done: 5, dragged: 1, made: 0, scale: 5 }, lost: true } });
    expect(film.read()).toMatchObject({ lost: true, got: 30, problem: null });
    end();
    expect(stop).toHaveBeenCalledTimes(1);
    film.start();
    expect(film.read()).toMatchObject({ got: 0, audit: null, lost: false });
    expect(film.shapeAt(0)).toBeNull();
    done()({ ok: false, field: 'pitch.roof', message: 'This roof is no longer in the kit.' });
    expect(film.read().problem).toBe('This roof is no longer in the kit.');
  });
});
