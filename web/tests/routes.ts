import { readdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Every address the application has, from its files: pages and doors, parameters in brackets. */
export const allRoutes = (): string[] => [
	...new Set(
		readdirSync(fileURLToPath(new URL('../src/routes', import.meta.url)), { recursive: true, encoding: 'utf8' })
			.filter((file) => /\+(page\.svelte|page\.server\.ts|server\.ts)$/.test(file))
			.map((file) => `/${dirname(file).replaceAll('\\', '/')}`.replace('/.', '/'))
	)
];
