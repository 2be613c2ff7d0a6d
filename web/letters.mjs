// Makes the fonts the page comes with: the letters that its own words take (those of letters.css), in
// the weights it uses. The whole fonts, for names in other letters, are fetched where one is needed.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import subsetFont from 'subset-font';

const FONTS = ['atkinson-hyperlegible-next', 'fraunces'];

const [, ranges] = /unicode-range:([^;]+);/.exec(readFileSync('src/letters.css', 'utf8'));
const letters = [...ranges.matchAll(/U\+([0-9A-F]+)(?:-([0-9A-F]+))?/g)]
  .flatMap(([, first, last = first]) => {
    const from = parseInt(first, 16);
    return Array.from({ length: parseInt(last, 16) - from + 1 }, (_, i) => from + i);
  })
  .map((code) => String.fromCodePoint(code))
  .join('');

mkdirSync('src/letters', { recursive: true });
for (const font of FONTS) {
  const whole = readFileSync(
    `node_modules/@fontsource-variable/${font}/files/${font}-latin-wght-normal.woff2`,
  );
  const few = await subsetFont(whole, letters, {
    targetFormat: 'woff2',
    variationAxes: { wght: { min: 400, max: 700, default: 400 } },
  });
  writeFileSync(`src/letters/letters-${font}.woff2`, few);
}
