import { defineConfig } from 'vitest/config';

// Properties over many random cases take their time on a busy machine; no test states a speed.
export default defineConfig({ test: { include: ['src/**/*.test.ts'], testTimeout: 600_000 } });
