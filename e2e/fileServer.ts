import { createReadStream, existsSync, readFileSync, statSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import path from 'node:path';

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

/** The built folder, served by nothing but a server of files. */
export async function fileServer(): Promise<{
  address: string;
  /** as if a later version had been put there */
  newVersion: () => void;
  close: () => Promise<unknown>;
}> {
  const root = path.resolve('dist');
  let later = false;
  const server: Server = createServer((q, r) => {
    const asked = path.normalize(new URL(q.url ?? '/', 'http://x').pathname);
    const file = path.join(root, asked);
    const found = file.startsWith(root) && existsSync(file) && statSync(file).isFile();
    if (!found && path.extname(asked)) return void r.writeHead(404, headers).end();
    const at = found ? file : path.join(root, 'index.html');
    r.writeHead(200, { ...headers, 'Content-Type': types[path.extname(at)] ?? 'application/octet-stream' });
    if (later && asked === '/sw.js') return void r.end(`${readFileSync(at, 'utf8')}\n// a later version\n`);
    createReadStream(at).pipe(r);
  }).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  return {
    address: `http://127.0.0.1:${(server.address() as { port: number }).port}`,
    newVersion: () => void (later = true),
    close: () => new Promise((done) => server.close(done)),
  };
}
