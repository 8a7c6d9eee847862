import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import { sheetStyles } from './sheetStyles';

export default defineConfig({
	plugins: [
		tailwindcss(),
		sveltekit(),
		sheetStyles(),
		{
			name: 'pure-flowbite',
			enforce: 'pre',
			async resolveId(source, importer, options) {
				if (!importer?.includes('/flowbite-svelte/') && !source.includes('flowbite-svelte')) return null;
				const resolved = await this.resolve(source, importer, { ...options, skipSelf: true });
				if (resolved === null) return null;
				return { ...resolved, moduleSideEffects: false };
			}
		}
	],
	resolve: { alias: [{ find: /^tailwind-variants$/, replacement: 'tailwind-variants/lite' }] },
	worker: { format: 'es' },
	test: { include: ['src/**/*.test.ts'], testTimeout: 60_000 }
});
