/** So many within so long, s, by whoever it is; the oldest are forgotten where there are too many to keep. */
export class Rate {
  private readonly seen = new Map<string, number[]>();

  constructor(
    private readonly most: number,
    private readonly seconds: number,
    private readonly now: () => number = Date.now,
  ) {}

  /** Those of the last while; nobody is kept for whom there are none. */
  private recent(who: string): number[] {
    const since = this.now() - 1000 * this.seconds;
    const recent = (this.seen.get(who) ?? []).filter((t) => t > since);
    if (recent.length === 0) this.seen.delete(who);
    else this.seen.set(who, recent);
    return recent;
  }

  /** Whole seconds until one more may be; 0 where it may be now. */
  wait(who: string): number {
    const recent = this.recent(who);
    if (recent.length < this.most) return 0;
    return Math.max(1, Math.ceil((recent[recent.length - this.most]! + 1000 * this.seconds - this.now()) / 1000));
  }

  /** Counts one. */
  count(who: string): void {
    const recent = this.recent(who);
    this.seen.delete(who);
    this.seen.set(who, [...recent, this.now()].slice(-this.most));
    if (this.seen.size > MOST_KEPT) this.seen.delete(this.seen.keys().next().value!);
  }

  /** Takes the last one back. */
  forgive(who: string): void {
    const recent = this.recent(who);
    recent.pop();
    if (recent.length === 0) this.seen.delete(who);
  }
}
const MOST_KEPT = 5000;
