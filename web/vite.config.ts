import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';
import { sheetStyles } from './sheetStyles';

/**
 * The library of components imports its own barrel, whose modules the build takes to do something when loaded: a form of
 * four controls cost 52 kB. None of them does, and saying so leaves 14.
 */
const componentsArePure: Plugin = {
	name: 'components-are-pure',
	enforce: 'pre',
	async resolveId(source, importer, options) {
		if (importer?.includes('/flowbite-svelte/') !== true && !source.startsWith('flowbite-svelte')) return null;
		const resolved = await this.resolve(source, importer, { ...options, skipSelf: true });
		return resolved === null ? null : { ...resolved, moduleSideEffects: false };
	}
};

export default defineConfig({
	plugins: [tailwindcss(), sveltekit(), sheetStyles(), componentsArePure],
	// Our classes never contradict each other, so nothing has to be merged.
	resolve: { alias: [{ find: /^tailwind-variants$/, replacement: 'tailwind-variants/lite' }] },
	worker: { format: 'es' },
	test: { include: ['src/**/*.test.ts'], testTimeout: 600_000, maxWorkers: '100%' }
});
