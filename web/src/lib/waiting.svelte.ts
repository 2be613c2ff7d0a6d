import { api, once } from '../api/client';

const SHOWN_AFTER_MS = 300;
const ASKED_EVERY_MS = 500;
const PLAN = 'Working out the plan';

/** How far the work on a tank's answer is, once it takes longer than a blink. */
export class Waiting {
  /** Empty while nothing is waited for, or not for long enough to say. */
  words = $state('');
  /** 0..1; nothing where it can't be told. */
  share = $state<number | undefined>();
  private timer: ReturnType<typeof setTimeout> | undefined;

  start(tank: string): void {
    this.stop();
    this.timer = setTimeout(() => {
      this.words = PLAN;
      this.later(tank);
    }, SHOWN_AFTER_MS);
  }

  stop(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.words = '';
    this.share = undefined;
  }

  /** Not at once: on a slow line the question would only hold up the answer. */
  private later(tank: string): void {
    this.timer = setTimeout(() => void this.ask(tank), ASKED_EVERY_MS);
  }

  private async ask(tank: string): Promise<void> {
    const mine = this.timer;
    try {
      const answer = await api.GET('/api/tanks/{id}/progress', {
        params: { path: { id: tank } },
        fetch: once,
      });
      if (mine !== this.timer) return;
      const share = answer.data?.share;
      this.share = share;
      this.words = share === undefined ? PLAN : 'Learning from the log';
    } catch {
      // the answer that is waited for tells what is wrong
    }
    if (mine === this.timer && mine !== undefined) this.later(tank);
  }
}
