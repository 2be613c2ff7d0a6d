/** Asks one question at a time: a newer one gives up the older, and so does leaving the place. */
export class Latest {
  private asking: AbortController | undefined;

  /**
   * @param question asks with the signal that gives it up
   * @returns its answer; nothing once it was given up
   */
  async ask<T>(question: (signal: AbortSignal) => Promise<T>): Promise<T | undefined> {
    this.giveUp();
    const mine = new AbortController();
    this.asking = mine;
    try {
      const answer = await question(mine.signal);
      return mine.signal.aborted ? undefined : answer;
    } catch (failure) {
      if (mine.signal.aborted) return undefined;
      throw failure;
    }
  }

  giveUp(): void {
    this.asking?.abort();
  }
}
