// Adds up the reports of both test runners: "N passed, N failed".
import { existsSync, readFileSync } from 'node:fs';

const [vitestFile, playwrightFile] = process.argv.slice(2);
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const vitest = read(vitestFile);
const playwright = read(playwrightFile);
// A runner that wrote no report has failed as a whole.
const passed = (vitest?.numPassedTests ?? 0) + (playwright?.stats.expected ?? 0);
const failed = (vitest?.numFailedTests ?? 1) + (playwright ? playwright.stats.unexpected + playwright.stats.flaky : 1);
console.log(`${passed} passed, ${failed} failed`);
if (failed > 0) process.exitCode = 1;
