// npm run figures: every sourced figure of core, model and kit, with where it stands, to docs/figures.md and to the page in
// Shop. With --check nothing is written: it ends with 1 where what is there is not what the code says.
import { readFileSync, writeFileSync } from 'node:fs';

import { figuresOf, figuresTable } from './figures';

const rows = await figuresOf();
const files = {
  'docs/figures.md': figuresTable(rows),
  'src/places/shop/figures.json': `${JSON.stringify(rows, null, 1)}\n`,
};
const check = process.argv.includes('--check');
for (const [file, text] of Object.entries(files)) {
  if (!check) writeFileSync(file, text);
  else if (readFileSync(file, 'utf8') !== text) {
    console.log(`${file} is not what the code says: npm run figures`);
    process.exitCode = 1;
  }
}
console.log(`${rows.length} figures`);
