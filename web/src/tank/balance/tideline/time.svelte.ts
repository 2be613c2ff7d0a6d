/** What part of time the picture shows, in ms of its axis, and how it is moved. */
export class Time {
  from = $state(0);
  to = $state(1);
  private least = 0;
  private most = 1;

  static readonly DAY = 86_400_000;
  private static readonly NARROWEST = 7 * Time.DAY;

  /** Says how far back and ahead there is anything to see. */
  bounds(least: number, most: number): void {
    this.least = least;
    this.most = most;
  }

  get earliest(): number {
    return this.least;
  }

  get latest(): number {
    return this.most;
  }

  /** Shows this part, as near as the bounds allow, its width kept. */
  show(from: number, to: number): void {
    const width = Math.min(
      this.most - this.least,
      Math.max(Math.min(Time.NARROWEST, this.most - this.least), to - from),
    );
    const start = Math.max(this.least, Math.min(this.most - width, from));
    this.from = start;
    this.to = start + width;
  }

  /** Moves by a share of what is shown; later is positive. */
  pan(share: number): void {
    const by = (this.to - this.from) * share;
    this.show(this.from + by, this.to + by);
  }

  /** Shows `factor` times as much, keeping the instant `at` where it is. */
  zoom(factor: number, at: number): void {
    const width = Math.min(
      this.most - this.least,
      Math.max(Time.NARROWEST, (this.to - this.from) * factor),
    );
    const share = (at - this.from) / (this.to - this.from);
    this.show(at - share * width, at - share * width + width);
  }

  /** Moves one end, the other stays. */
  end(which: 'from' | 'to', at: number): void {
    if (which === 'from') this.from = Math.max(this.least, Math.min(this.to - Time.NARROWEST, at));
    else this.to = Math.min(this.most, Math.max(this.from + Time.NARROWEST, at));
  }
}
