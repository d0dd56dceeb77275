import { proveTwo } from './bench/practice';
import { styles } from './src/core/practice/manner';
for (const s of styles) {
  const t = Date.now();
  const r = proveTwo(s, Number(process.env.N ?? 30));
  console.log(s, JSON.stringify(r.ends), r.minutes.toFixed(1), Date.now() - t);
}
process.exit(0);
