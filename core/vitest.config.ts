import { defineConfig } from 'vitest/config';

// Properties over many random cases take their time on a busy machine; no test states a speed. Nothing here keeps anything between
// files, so that they share what they import.
export default defineConfig({
	test: { include: ['src/**/*.test.ts'], testTimeout: 600_000, isolate: false, maxWorkers: '100%' }
});
