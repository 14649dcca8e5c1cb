// Makes the one file of other people's code that the page loads, and the licences that go with it.
// Run it as `npm ci && npm run bundle` in this folder after a change to vendor.js or package.json.
import { createHash } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import { build } from "esbuild";

const into = "../src/mellow_thumb/page/static/";
const of = (name) => JSON.parse(readFileSync(`node_modules/${name}/package.json`, "utf8"));
const made = createHash("sha256").update(readFileSync("vendor.js")).update(readFileSync("package-lock.json"));

await build({
  entryPoints: ["vendor.js"],
  outfile: `${into}vendor.js`,
  bundle: true,
  minifyWhitespace: true,
  minifySyntax: true,
  format: "esm",
  target: "es2022",
  legalComments: "none",
  banner: { js: `/* three.js ${of("three").version}, uPlot ${of("uplot").version}; see LICENCES.txt. made of ${made.digest("hex")} */` },
});
writeFileSync(`${into}vendor.css`, readFileSync("node_modules/uplot/dist/uPlot.min.css"));
const licences = ["three", "uplot"].map((name) => `${of(name).name} ${of(name).version}, ${of(name).homepage}\n\n${readFileSync(`node_modules/${name}/LICENSE`, "utf8")}`);
writeFileSync(`${into}LICENCES.txt`, licences.join("\n----\n\n"));
