// npm run kit-schema: writes docs/kit-file.schema.json from the format itself. A test fails where it is stale.
import { run } from './setup.mjs'

const write = `import { writeFileSync } from 'node:fs'
import { describeKitFile } from './core/src/kit/exchange/kit-file.ts'
writeFileSync('docs/kit-file.schema.json', JSON.stringify(describeKitFile(), null, 1) + '\\n')`
run(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', write], { what: 'Writing the schema' })
run('npx', ['biome', 'format', '--write', 'docs/kit-file.schema.json'], { what: 'Formatting it' })
