import { needBuild, needPackages } from './lib.mjs';

await needPackages();
await needBuild();
