import { createReadStream, existsSync, readFileSync, statSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import path from 'node:path';

import { expect, test } from '@playwright/test';

/** The headers as `docs/run-it.md` gives them, the caching one apart. */
const headers = Object.fromEntries(
  /```\n(Content-Security-Policy[\s\S]*?)```/
    .exec(readFileSync('docs/run-it.md', 'utf8'))![1]!
    .trim()
    .split('\n')
    .filter((l) => !l.startsWith('Cache-Control'))
    .map((l) => [l.slice(0, l.indexOf(':')), l.slice(l.indexOf(':') + 1).trim()]),
);
const types: Record<string, string> = {
  '.html': 'text/html; charset=utf-8',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.json': 'application/json',
  '.webmanifest': 'application/manifest+json',
  '.png': 'image/png',
  '.ttf': 'font/ttf',
};

let server: Server;
let address = '';
test.beforeAll(async () => {
  const root = path.resolve('dist');
  server = createServer((q, r) => {
    const asked = path.normalize(new URL(q.url ?? '/', 'http://x').pathname);
    const file = path.join(root, asked);
    const found = file.startsWith(root) && existsSync(file) && statSync(file).isFile();
    if (!found && path.extname(asked)) return void r.writeHead(404, headers).end();
    const at = found ? file : path.join(root, 'index.html');
    r.writeHead(200, { ...headers, 'Content-Type': types[path.extname(at)] ?? 'application/octet-stream' });
    createReadStream(at).pipe(r);
  }).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  address = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
});
test.afterAll(() => new Promise((done) => server.close(done)));

test('nothing but files: the shop begins empty and works, and what needs the server says so', async ({ page }) => {
  const broken: string[] = [];
  page.on('pageerror', (e) => broken.push(e.message));
  page.on('console', (m) => {
    if (/Content Security Policy|Refused to/.test(m.text())) broken.push(m.text());
  });
  await page.goto(`${address}/`);
  await expect(page.getByText('Nothing on the bench')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/^Demo day/)).toHaveCount(0);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByRole('radio', { name: /Ring-bond 6.1/ }).click();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByText('Where is it cracked?').first()).toBeVisible({ timeout: 20_000 });
  const job = new URL(page.url()).pathname.split('/')[2]!;
  // a page that was never linked to, straight from its address: heat with its plan, computed in a worker
  await page.goto(`${address}/jobs/${job}/heat`);
  await expect(page.getByTestId('call')).toBeVisible({ timeout: 30_000 });
  await page.goto(`${address}/heaters/plate`);
  await page.getByRole('button', { name: 'Connect the instruments' }).click();
  await expect(page.getByText(/No instrument answers/)).toBeVisible();
  expect(broken).toEqual([]);
});
