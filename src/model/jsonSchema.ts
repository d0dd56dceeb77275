import { z } from 'zod';

import { deviceFileSchema, jobFileSchema, shopFileSchema } from './files';

/** Published JSON Schemas of the open formats, by file name; made from the schemas that the app itself reads with. */
export function schemaTexts(): Record<string, string> {
  const text = (schema: z.ZodType, title: string) =>
    `${JSON.stringify({ title, ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) }, null, 1)}\n`;
  return {
    'job.schema.json': text(jobFileSchema, 'Northcove job, version 1'),
    'shop.schema.json': text(shopFileSchema, 'Northcove shop backup, version 1'),
    'device.schema.json': text(deviceFileSchema, 'Northcove device model, version 1'),
  };
}
