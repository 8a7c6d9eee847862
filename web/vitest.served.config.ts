import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** Tests against the built application: a real server, a real database, a real browser. Run by `./poise test`. */
export default defineConfig({
	resolve: { alias: { $lib: fileURLToPath(new URL('./src/lib', import.meta.url)) } },
	test: {
		include: ['tests/**/*.test.ts'],
		fileParallelism: false,
		testTimeout: 180_000,
		hookTimeout: 120_000
	}
});
