import type { ReactElement } from 'react';
import { NavLink } from 'react-router';
import type { To } from 'react-router';
import { Wave } from './marks.js';

/** One mark of the tape: a step, what it comes to, and whether it holds. */
export interface TapeMark {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly state: 'holds' | 'fails' | 'none';
  /** Absent where there is nothing to open yet. */
  readonly to?: To;
}

/** The measuring tape down the left edge: the steps in the order they are done. */
export function Tape({
  label,
  marks,
  words,
}: {
  readonly label: string;
  readonly marks: readonly TapeMark[];
  /** How each state is read aloud. */
  readonly words: Readonly<Record<TapeMark['state'], string>>;
}): ReactElement {
  return (
    <nav className="tape" aria-label={label}>
      {marks.map((m) => {
        const inside = (
          <>
            <span className="tape-name">{m.name}</span>
            <span className="tape-text">{m.text}</span>
            <Wave state={m.state} />
            <span className="hidden">{words[m.state]}</span>
          </>
        );
        return m.to === undefined ? (
          <span key={m.id} className="tape-mark tape-none">
            {inside}
          </span>
        ) : (
          <NavLink key={m.id} to={m.to} className={({ isActive }) => (isActive ? 'tape-mark tape-on' : 'tape-mark')}>
            {inside}
          </NavLink>
        );
      })}
    </nav>
  );
}
