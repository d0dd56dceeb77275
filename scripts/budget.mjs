// What a page may make somebody fetch who opens it first, kB gzip: fails where it is 5 % more. `-- --write` takes what is there.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const root = path.join(import.meta.dirname, '..');
const file = path.join(root, 'scripts', 'budget.json');
const read = (p) => JSON.parse(readFileSync(p, 'utf8'));
const sizes = read(path.join(root, 'dist', 'sizes.json'));
const allowance = 1.05;

if (process.argv.includes('--write')) {
  writeFileSync(file, `${JSON.stringify(sizes, null, 2)}\n`);
  console.log(`budget of ${Object.keys(sizes).length} pages written`);
} else {
  const budget = read(file);
  const problems = [
    ...Object.entries(sizes).flatMap(([page, kB]) =>
      budget[page] === undefined
        ? [`${page}: ${kB} kB, and no budget`]
        : kB > budget[page] * allowance
          ? [`${page}: ${kB} kB, ${budget[page]} were allowed`]
          : [],
    ),
    ...Object.keys(budget)
      .filter((page) => !(page in sizes))
      .map((page) => `${page}: a budget for a page that is not there`),
  ];
  for (const p of problems) console.log(p);
  console.log(`${Object.keys(sizes).length} pages, ${problems.length} over their budget`);
  process.exit(problems.length ? 1 : 0);
}
