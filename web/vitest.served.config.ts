import { defineConfig } from 'vitest/config';

/** Tests against the built application: a real server, a real database, a real browser. Run by `./poise test`. */
export default defineConfig({
	test: {
		include: ['tests/**/*.test.ts'],
		fileParallelism: false,
		testTimeout: 60_000,
		hookTimeout: 60_000
	}
});
