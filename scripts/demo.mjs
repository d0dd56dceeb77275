// npm run demo: installs what is missing, builds, serves with the demo shop loaded, prints the address.
import { spawn } from 'node:child_process';

import { env, needBuild, needPackages, root, say } from './lib.mjs';

await needPackages();
await needBuild();
say('Serving the demo shop; stop with Ctrl+C');
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
  cwd: root,
  env: { ...env, DEMO: '1', PORT: process.env.PORT ?? '8787' },
  stdio: 'inherit',
});
for (const s of ['SIGINT', 'SIGTERM']) process.on(s, () => server.kill(s));
server.on('close', (code) => process.exit(code ?? 0));
