// SPDX-License-Identifier: GPL-3.0-or-later
// Prints what the glTF standard's validator says of files: {"errors": N, "warnings": N, "messages": [...]}.
// node validate.cjs NODE_FOLDER FILE...
const { createRequire } = require("node:module");
const { readFileSync } = require("node:fs");
const { join } = require("node:path");

const validator = createRequire(join(process.argv[2], "x.js"))("gltf-validator");
(async () => {
  const told = { errors: 0, warnings: 0, messages: [] };
  for (const file of process.argv.slice(3)) {
    const report = await validator.validateBytes(new Uint8Array(readFileSync(file)));
    told.errors += report.issues.numErrors;
    told.warnings += report.issues.numWarnings;
    told.messages.push(...report.issues.messages.map((m) => `${file} ${m.pointer}: ${m.message}`));
    if (report.info.animationCount !== 1) throw new Error(`${file} has no animation`);
  }
  console.log(JSON.stringify(told));
})().catch((error) => {
  console.error(error.message ?? error);
  process.exit(1);
});
