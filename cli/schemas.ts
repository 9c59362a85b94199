import { mkdirSync, writeFileSync } from 'node:fs'
import { z } from '../core/measure/schema.ts'
import { planFile } from '../core/project/plan-file.ts'
import { projectSchema } from '../core/project/project.ts'

/** Writes the JSON Schemas of the exchanged files to docs/schema. */
mkdirSync('docs/schema', { recursive: true })
for (const [name, schema] of [
  ['project', projectSchema],
  ['plan', planFile],
] as const)
  writeFileSync(
    `docs/schema/${name}.schema.json`,
    `${JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 1)}\n`,
  )
