import type { Outlook, Pictured } from '../../api/client';

/** A small answer of the server for tests of the page; parts can be replaced. */
export function outlook(parts: Partial<Outlook> = {}): Outlook {
  const nutrient = (unit: string, now: number) => ({
    unit,
    now: { p10: now * 0.9, p25: now * 0.95, p50: now, p75: now * 1.05, p90: now * 1.1 },
    days: Array.from({ length: 14 }, (_, i) => ({
      on: `2026-12-${String(i + 1).padStart(2, '0')}`,
      p10: now * 0.8,
      p25: now * 0.9,
      p50: now,
      p75: now * 1.1,
      p90: now * 1.2,
    })),
    crossing: {},
  });
  return {
    routine: { fraction: 0.24, litres: 45.6, everyDays: 7, nextOn: '2026-11-28' },
    changeDays: ['2026-11-28', '2026-12-05'],
    probabilityWithinLines: 0.92,
    holds: true,
    until: '2027-02-23',
    recovery: [],
    measures: {
      probabilityWithinLines: 0.92,
      nitratePeakMgL: 34,
      nitrateTroughMgL: 25,
      nitrateSwingMgL: 8,
      phosphatePeakMgL: 1.2,
      phosphateTroughMgL: 0.9,
      litresPer28Days: 182,
      minutesPer28Days: 120,
      saltGramsPer28Days: 0,
    },
    nitrate: nutrient('mg/L NO3', 30),
    phosphate: nutrient('mg/L PO4', 1.1),
    ...parts,
  };
}

export function balance(parts: Partial<Pictured> = {}): Pictured {
  return {
    tank: {
      id: '00000000-0000-0000-0000-000000000001',
      version: 3,
      name: 'Stillwater',
      water: 'freshwater',
      netVolumeL: 190,
      timeZone: 'Europe/Lisbon',
      today: '2026-11-25',
      temperatureC: 18,
      salinityPpt: 0,
    },
    lines: { nitrate: { floorMgL: 0, ceilingMgL: 40 }, phosphate: { floorMgL: 0, ceilingMgL: 2 } },
    intervalsDays: [3.5, 7, 14],
    maxChangeFraction: 0.5,
    confidence: 0.9,
    standing: { fraction: 0.2, litres: 38, everyDays: 14, nextOn: '2026-11-28' },
    today: {
      verdict: 'SKIP',
      reasons: [],
      warnings: [],
      remarks: [
        {
          kind: 'HABIT_FAILS',
          words: [{ text: 'Your present routine keeps it under only in 5 of 10 cases.' }],
        },
      ],
    },
    work: [],
    otherWays: {
      options: [],
      ways: [],
      helps: [],
      blends: [],
      noChange: {
        feasible: false,
        netNitrogenMgPerDay: 20,
        floatingPlantsGPerWeek: 60,
        deepBedM2: 0.4,
      },
      shareOfWaterOver90Days: 0.1,
      alkalinityUsedDkhPerWeek: 0.2,
    },
    shown: outlook(),
    leftAloneNitrate: { early: '2026-12-01', likely: '2026-12-09' },
    leftAlonePhosphate: {},
    past: {
      nitrate: { fit: [], tests: [] },
      phosphate: { fit: [], tests: [] },
      ammoniaTests: [],
      nitriteTests: [],
      changes: [],
      lanes: [],
    },
    notCounted: [],
    ...parts,
  };
}
