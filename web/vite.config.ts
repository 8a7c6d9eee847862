import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import { sheetStyles } from './sheetStyles';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit(), sheetStyles()],
	worker: { format: 'es' },
	test: { include: ['src/**/*.test.ts'], testTimeout: 60_000 }
});
