// Writes the JSON Schema of the open formats from the Zod schemas.
import { writeFileSync } from 'node:fs';
import path from 'node:path';

import { schemaTexts } from '../src/model/jsonSchema';

const dir = path.join(import.meta.dirname, '..', 'docs', 'schema');
for (const [name, text] of Object.entries(schemaTexts())) {
  writeFileSync(path.join(dir, name), text);
  console.log(`${name}: ${text.length} characters`);
}
