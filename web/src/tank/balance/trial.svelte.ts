import {
  api,
  type Balance,
  type LineOfTank,
  type Outlook,
  type Schemas,
  type Tried,
} from '../../api/client';
import { Latest } from '../../lib/latest';
import { show } from '../../lib/toast.svelte';
import { addDays } from '../../lib/words';

export type Part = 'fraction' | 'everyDays' | 'nextOn';
export interface Lines {
  nitrate: LineOfTank;
  phosphate: LineOfTank;
}
/** Which part of the routine follows from the others so that the lines hold. */
type Solve = 'FRACTION' | 'INTERVAL' | 'NOTHING';

const ASK_AFTER_MS = 60;

/** What a keeper tries on a tank's balance: another routine, other lines, more or less of an entry. */
export class Trial {
  /** The newest answer to what is tried; nothing while nothing is. */
  answer = $state.raw<Outlook | null>(null);
  movedLines = $state.raw<Lines | null>(null);
  /** Lines of the ledger that are tried otherwise. */
  tries = $state.raw<Tried[]>([]);
  /** Whether the routine itself was changed, and not only what follows from a moved line. */
  routineTried = $state(false);
  /** Whether a newer answer is on its way. */
  stale = $state(false);
  /** The part that stays as it is. */
  held = $state<Part | ''>('');
  private readonly asking = new Latest();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly tank: () => string,
    private readonly balance: () => Balance | null,
  ) {}

  /** What is shown: the answer, or what is tried. */
  get outlook(): Outlook | null {
    return this.answer ?? this.balance()?.shown ?? null;
  }

  get lines(): Lines | null {
    return this.movedLines ?? this.balance()?.lines ?? null;
  }

  get trying(): boolean {
    return this.answer !== null || this.movedLines !== null;
  }

  putBack = (): void => {
    this.leave();
    this.answer = null;
    this.movedLines = null;
    this.tries = [];
    this.routineTried = false;
    this.stale = false;
    this.held = '';
  };

  leave(): void {
    clearTimeout(this.timer);
    this.asking.giveUp();
  }

  /** Shows another share, interval or day at once and asks for what follows from it. */
  part = (part: Part, value: number): void => {
    const balance = this.balance();
    const outlook = this.outlook;
    if (!balance || !outlook?.routine) return;
    const changed = {
      ...outlook.routine,
      [part]: part === 'nextOn' ? addDays(balance.tank.today, value) : value,
    };
    this.routineTried = true;
    this.answer = { ...outlook, routine: changed };
    if (part === 'fraction') this.ask(this.held === 'everyDays' ? 'NOTHING' : 'INTERVAL');
    else this.ask(this.held === 'fraction' ? 'NOTHING' : 'FRACTION');
  };

  /** Tries lines of the ledger under the routine that is shown. */
  ledger = (next: Tried[]): void => {
    if (next.length === 0 && !this.routineTried && !this.movedLines) {
      this.putBack();
      return;
    }
    this.tries = next;
    this.ask('NOTHING');
  };

  /** Tries one of the ways that stand beside the advice. */
  way = (way: Schemas['Way']): void => {
    this.tries = [];
    this.routine(way.fraction, way.everyDays, way.startsOn);
  };

  /** Tries a lever, with the routine that it allows. */
  help = (help: Schemas['Help']): void => {
    const balance = this.balance();
    if (!balance) return;
    this.tries = help.tries;
    const next = balance.shown.routine?.nextOn ?? addDays(balance.tank.today, 1);
    if (help.fraction === undefined) this.ask('NOTHING');
    else this.routine(help.fraction, help.everyDays, next);
  };

  line = (nutrient: keyof Lines, line: LineOfTank): void => {
    const lines = this.lines;
    if (!lines) return;
    this.movedLines = { ...lines, [nutrient]: line };
    this.ask(this.held === 'fraction' ? 'INTERVAL' : 'FRACTION');
  };

  private routine(fraction: number, everyDays: number, nextOn: string): void {
    const balance = this.balance();
    const outlook = this.outlook;
    if (!balance || !outlook) return;
    this.routineTried = fraction > 0;
    const litres = fraction * balance.tank.netVolumeL;
    this.answer = {
      ...outlook,
      routine: fraction > 0 ? { fraction, litres, everyDays, nextOn } : undefined,
    };
    this.ask('NOTHING');
  }

  private ask(solve: Solve): void {
    this.stale = true;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.find(solve), ASK_AFTER_MS);
  }

  private async find(solve: Solve): Promise<void> {
    const balance = this.balance();
    const outlook = this.outlook;
    if (!balance || !outlook) return;
    // where no change is planned none is tried, unless a moved line asks for one
    const routine =
      outlook.routine ??
      (solve === 'NOTHING'
        ? undefined
        : { fraction: 0.25, everyDays: 7, nextOn: balance.tank.today });
    const body = {
      solve,
      tries: this.tries,
      fraction: routine?.fraction,
      everyDays: routine?.everyDays,
      nextOn: routine?.nextOn,
      nitrate: this.movedLines?.nitrate,
      phosphate: this.movedLines?.phosphate,
    };
    const answer = await this.asking.ask((signal) =>
      api.POST('/api/tanks/{id}/what-if', { params: { path: { id: this.tank() } }, body, signal }),
    );
    if (!answer) return;
    if (answer.data) this.answer = answer.data;
    else show({ kind: 'problem', text: answer.error?.detail ?? 'That can’t be tried.' });
    this.stale = false;
  }
}
