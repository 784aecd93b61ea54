// Lines over 120 columns, as eyes count them, and the share of tests in what is written by hand. Ends with 1 where one
// of them is past its limit: node deploy/lines.mjs
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

const COLUMNS = 120;
const WIDE_AT_MOST = 0.005;
const TESTS_AT_LEAST = Number(process.env.TESTS_AT_LEAST ?? 0.25);

const written = /\.(php|ts|vue|mjs|js|sh)$/;
const made = /(schema\.ts|\/generated\/)/;
const test = /(^|\/)(tests|e2e)\/|\.test\.ts$|deploy\/(drill|test)\.sh$/;

let [tests, code, wide] = [0, 0, 0];
for (const file of execFileSync('git', ['ls-files'], { encoding: 'utf8' }).split('\n')) {
    if (!written.test(file) || made.test(file)) continue;
    const lines = readFileSync(file, 'utf8')
        .split('\n')
        .filter((line) => line.trim() !== '');
    if (test.test(file)) tests += lines.length;
    else code += lines.length;
    wide += lines.filter((line) => [...line].length > COLUMNS).length;
}
const share = tests / (tests + code);
const of = wide / (tests + code);
const percent = (x) => `${(100 * x).toFixed(2)} %`;
console.log(
    `${tests} lines of tests, ${code} of code: ${percent(share)} tests (at least ${percent(TESTS_AT_LEAST)})`,
);
console.log(`${wide} lines over ${COLUMNS} columns: ${percent(of)} (at most ${percent(WIDE_AT_MOST)})`);
process.exit(share < TESTS_AT_LEAST || of > WIDE_AT_MOST ? 1 : 0);
