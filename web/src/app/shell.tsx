import { Button } from '@chakra-ui/react';
import { FORCE_UNITS, LENGTH_UNITS } from '@rough-bight/core/quantity';
import { Moon, Redo2, Sun, Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { Link, NavLink, Outlet } from 'react-router';
import { useMe } from '../data/me.js';
import type { SaveState } from '../data/document-store.js';
import { BightMark } from '../parts/marks.js';
import { FindDialog } from './find.js';
import { ShellContext } from './shell-context.js';
import type { ShellContent } from './shell-context.js';
import { currentTheme, setTheme } from './theme/index.js';

const SAVE_WORDS: Readonly<Record<SaveState['kind'], string>> = {
  saved: 'saved',
  saving: 'saving…',
  waiting: 'not saved yet',
  refused: 'not saved',
  conflict: 'changed elsewhere',
};

/** The bar at the top, and the view beneath it. */
export function Shell(): ReactElement {
  const [content, setContent] = useState<ShellContent>({ crumbs: [] });
  const [theme, setShown] = useState(currentTheme());
  const { data: me, change } = useMe();
  const [finding, setFinding] = useState(false);
  useEffect(() => {
    const keys = (e: KeyboardEvent): void => {
      if (!(e.ctrlKey || e.metaKey)) return;
      const typing = e.target instanceof HTMLInputElement && e.target.type !== 'radio' && e.target.type !== 'checkbox';
      const key = e.key.toLowerCase();
      if (key === 'k') {
        e.preventDefault();
        setFinding(true);
      } else if (!typing && key === 'z') {
        e.preventDefault();
        (e.shiftKey ? content.redo : content.undo)?.();
      } else if (!typing && key === 'y') {
        e.preventDefault();
        content.redo?.();
      }
    };
    addEventListener('keydown', keys);
    return () => removeEventListener('keydown', keys);
  }, [content]);
  const turnTheme = (): void => {
    const next = theme === 'day' ? 'ember' : 'day';
    setTheme(next);
    setShown(next);
  };
  return (
    <ShellContext.Provider value={setContent}>
      <a className="skip" href="#view">
        Skip to the view
      </a>
      <header className="bar">
        <Link to="/" className="bar-home" aria-label="Rough Bight, to the camp">
          <BightMark />
          <span>Rough Bight</span>
        </Link>
        <nav className="bar-crumbs" aria-label="Where you are">
          {content.crumbs.map((c, i) => (
            <span key={c.name}>
              {i > 0 && <span className="bar-slash">/</span>}
              {c.to === undefined ? <b aria-current="page">{c.name}</b> : <Link to={c.to}>{c.name}</Link>}
            </span>
          ))}
        </nav>
        <div className="bar-tools">
          {content.save !== undefined && (
            <span className={`bar-save bar-save-${content.save.kind}`} role="status">
              {SAVE_WORDS[content.save.kind]}
            </span>
          )}
          {content.undo !== undefined && (
            <>
              <Button
                unstyled
                className="bar-button"
                disabled={content.undo === null}
                onClick={() => content.undo?.()}
                aria-label="Undo, Control Z"
              >
                <Undo2 size={17} aria-hidden="true" /> <span>Undo</span>
              </Button>
              <Button
                unstyled
                className="bar-button"
                disabled={content.redo === null}
                onClick={() => content.redo?.()}
                aria-label="Redo, Control Y"
              >
                <Redo2 size={17} aria-hidden="true" /> <span>Redo</span>
              </Button>
            </>
          )}
          {me !== undefined && (
            <span className="bar-units">
              {LENGTH_UNITS.map((u) => (
                <Button
                  unstyled
                  key={u}
                  className="bar-unit"
                  aria-pressed={me.units.length === u}
                  onClick={() => void change({ ...me, units: { ...me.units, length: u } })}
                >
                  {u}
                </Button>
              ))}
              <i />
              {FORCE_UNITS.map((u) => (
                <Button
                  unstyled
                  key={u}
                  className="bar-unit"
                  aria-pressed={me.units.force === u}
                  onClick={() => void change({ ...me, units: { ...me.units, force: u } })}
                >
                  {u}
                </Button>
              ))}
            </span>
          )}
          <Button
            unstyled
            className="bar-button"
            onClick={turnTheme}
            aria-label={theme === 'day' ? 'To ember, for the night' : 'To daylight'}
          >
            {theme === 'day' ? <Moon size={17} aria-hidden="true" /> : <Sun size={17} aria-hidden="true" />}{' '}
            <span>{theme === 'day' ? 'Ember' : 'Daylight'}</span>
          </Button>
          <NavLink to="/kit" className="bar-button bar-link">
            Kit
          </NavLink>
          <NavLink to="/me" className="bar-button bar-link">
            Me
          </NavLink>
          <Button unstyled className="bar-button bar-find" onClick={() => setFinding(true)}>
            Find <span className="quiet">Ctrl K</span>
          </Button>
        </div>
      </header>
      <div id="view" className="view" tabIndex={-1}>
        <Outlet />
      </div>
      <FindDialog open={finding} onClose={() => setFinding(false)} onTheme={turnTheme} />
    </ShellContext.Provider>
  );
}
