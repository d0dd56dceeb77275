// npm run shop: installs what is missing, builds, and serves over https to the phones of this network, without the demo.
import { spawn } from 'node:child_process';

import { env, needBuild, needPackages, root } from './lib.mjs';

await needPackages();
await needBuild();
const server = spawn(process.execPath, ['--import', 'tsx', 'server/shop.ts'], { cwd: root, env, stdio: 'inherit' });
for (const s of ['SIGINT', 'SIGTERM']) process.on(s, () => server.kill(s));
server.on('close', (code) => process.exit(code ?? 0));
