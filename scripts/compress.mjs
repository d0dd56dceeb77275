// Writes FILE.br and FILE.gz beside every compressible file of the export.
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

const root = process.argv[2] ?? 'dist';
const sizes = { raw: 0, br: 0, gz: 0 };
const walk = (dir) => {
  for (const name of readdirSync(dir)) {
    const f = path.join(dir, name);
    if (statSync(f).isDirectory()) walk(f);
    else if (/\.(js|css|html|json|svg|ttf|webmanifest)$/.test(name)) {
      const b = readFileSync(f);
      if (b.length < 1024) continue;
      const br = brotliCompressSync(b, {
        params: { [constants.BROTLI_PARAM_QUALITY]: 9, [constants.BROTLI_PARAM_SIZE_HINT]: b.length },
      });
      const gz = gzipSync(b, { level: 9 });
      writeFileSync(`${f}.br`, br);
      writeFileSync(`${f}.gz`, gz);
      sizes.raw += b.length;
      sizes.br += br.length;
      sizes.gz += gz.length;
    }
  }
};
walk(root);
console.log(
  `compressed: ${Object.entries(sizes)
    .map(([k, v]) => `${k} ${(v / 1e6).toFixed(2)} MB`)
    .join(', ')}`,
);
