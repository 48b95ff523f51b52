/** What changes, and is told to those who follow it. */
export interface Source<S> {
  readonly subscribe: (listener: () => void) => () => void;
  readonly read: () => S;
}

/** A state that is replaced part by part, and tells of it. */
export abstract class Telling<S> implements Source<S> {
  private readonly listeners = new Set<() => void>();

  constructor(private state: S) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly read = (): S => this.state;

  protected show(part: Partial<S>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }
}
