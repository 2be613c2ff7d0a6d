import type { Schemas } from '../../../api/client';

type Ledger = Schemas['Ledger'];

/** A ledger's sum as it is told: in − out + unexplained = everything that is held, to the digit. */
export interface Closing {
  in: number;
  out: number;
  unexplained: number;
  /** What more is held of, in the order of size; amounts that round to nothing are left out. */
  held: { name: string; amount: number }[];
  /** Of all that is held. */
  more: number;
  decimals: number;
}

const sum = (lines: Ledger['in']) => lines.reduce((all, line) => all + line.perDay.mean, 0);

/**
 * Rounds both sides to one digit that suits the largest, then what is held so that its parts add up
 * to the difference: the parts that lose most by rounding give way.
 *
 * @param perMg from mg of the element a day to what is shown
 */
export function closing(ledger: Ledger, perMg: number): Closing {
  const most = Math.max(sum(ledger.in), sum(ledger.out)) * perMg;
  const decimals = most >= 10 ? 0 : most >= 1 ? 1 : most >= 0.1 ? 2 : 3;
  const unit = 10 ** -decimals;
  const units = (mg: number) => Math.round((mg * perMg) / unit);
  const [into, out] = [units(sum(ledger.in)), units(sum(ledger.out))];
  const unexplained = units(ledger.unexplained.mean);
  const more = into - out + unexplained;
  const parts = ledger.held.map((line) => {
    const exact = (line.perDay.mean * perMg) / unit;
    return { name: line.name, exact, told: Math.round(exact) };
  });
  let over = parts.reduce((all, part) => all + part.told, 0) - more;
  while (over !== 0 && parts.length > 0) {
    const by = Math.sign(over);
    const gives = parts.reduce((a, b) =>
      (b.told - b.exact) * by > (a.told - a.exact) * by ? b : a,
    );
    gives.told -= by;
    over -= by;
  }
  const shown = (count: number) => Number((count * unit).toFixed(decimals));
  return {
    in: shown(into),
    out: shown(out),
    unexplained: shown(unexplained),
    held: parts
      .filter((part) => part.told !== 0)
      .sort((a, b) => Math.abs(b.told) - Math.abs(a.told))
      .map((part) => ({ name: part.name, amount: shown(part.told) })),
    more: shown(more),
    decimals,
  };
}
