// Makes the fonts the page comes with, and the style that names them: the letters that its own words
// take, in the weights it uses. The whole fonts, for names in other letters, are fetched where one is
// needed: both say the same of themselves, so that the browser takes each for its letters.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import subsetFont from 'subset-font';

const RANGES =
  'U+0020-007E, U+00A0, U+00B0-00B3, U+00B5, U+00B7, U+00BD, U+00D7, U+00F7, U+2013-2014, ' +
  'U+2018-2019, U+201C-201D, U+2026, U+2212';
const FOLDER = 'src/letters';

const letters = [...RANGES.matchAll(/U\+([0-9A-F]+)(?:-([0-9A-F]+))?/g)]
  .flatMap(([, first, last = first]) => {
    const from = parseInt(first, 16);
    return Array.from({ length: parseInt(last, 16) - from + 1 }, (_, i) => from + i);
  })
  .map((code) => String.fromCodePoint(code))
  .join('');

mkdirSync(FOLDER, { recursive: true });
const faces = [];
for (const font of ['atkinson-hyperlegible-next', 'fraunces']) {
  const whole = `node_modules/@fontsource-variable/${font}`;
  const file = `${font}-latin-wght-normal.woff2`;
  const few = await subsetFont(readFileSync(`${whole}/files/${file}`), letters, {
    targetFormat: 'woff2',
    variationAxes: { wght: { min: 400, max: 700, default: 400 } },
  });
  writeFileSync(`${FOLDER}/letters-${font}.woff2`, few);
  const style = readFileSync(`${whole}/wght.css`, 'utf8');
  const face = style.match(/@font-face \{[^}]*\}/g).find((one) => one.includes(file));
  faces.push(
    face
      .replace(/url\([^)]*\)/, `url(./letters-${font}.woff2)`)
      .replace(/unicode-range:[^;]*/, `unicode-range: ${RANGES}`),
  );
}
writeFileSync(`${FOLDER}/letters.css`, faces.join('\n'));
