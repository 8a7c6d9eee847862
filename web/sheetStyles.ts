import type { Plugin } from 'vite';

/** What of a client chunk is needed here; the bundler's own type says nothing of what Vite adds. */
interface Chunk {
	readonly type: 'chunk' | 'asset';
	readonly isEntry?: boolean;
	readonly isDynamicEntry?: boolean;
	readonly facadeModuleId?: string | null;
	readonly imports?: readonly string[];
	readonly dynamicImports?: readonly string[];
	readonly viteMetadata?: { readonly importedCss: ReadonlySet<string> };
}

const moduleOf = ({ facadeModuleId }: Chunk) => /\/lib\/supports\/(.+\.svelte)$/.exec(facadeModuleId ?? '')?.[1];
const isSheet = (chunk: Chunk | undefined): boolean => chunk?.isDynamicEntry === true && moduleOf(chunk) !== undefined;

/**
 * Writes down which style sheets each support's components need, and which the pages that show them need in any case. The framework links the
 * styles of everything a route could load, of all sheets of all kinds; the server leaves out those that are not shown
 * (`lib/server/sheetStyles.ts`).
 */
export function sheetStyles(): Plugin {
	return {
		name: 'poise-sheet-styles',
		apply: 'build',
		applyToEnvironment: ({ name }) => name === 'client',
		generateBundle(_options, bundle) {
			const chunks = bundle as unknown as Readonly<Record<string, Chunk>>;
			const stylesOf = (name: string, seen = new Set<string>()): string[] => {
				const chunk = chunks[name];
				if (chunk === undefined || seen.has(name)) return [];
				seen.add(name);
				return [
					...(chunk.viteMetadata?.importedCss ?? []),
					...(chunk.imports ?? []).flatMap((each) => stylesOf(each, seen))
				];
			};
			/** Whether a page can load a support's component; the root, which every page has, is the node called 0. */
			const shows = (name: string, seen = new Set<string>()): boolean => {
				const chunk = chunks[name];
				if (chunk === undefined || seen.has(name)) return false;
				seen.add(name);
				return (
					(chunk.dynamicImports ?? []).some((each) => isSheet(chunks[each])) ||
					(chunk.imports ?? []).some((each) => shows(each, seen))
				);
			};
			const sheets: Record<string, string[]> = {};
			const always = new Set<string>();
			for (const [name, chunk] of Object.entries(chunks)) {
				if (isSheet(chunk)) sheets[`./${moduleOf(chunk)}`] = stylesOf(name);
				else if (chunk.isEntry === true && (shows(name) || /\/nodes\/0\./.test(name)))
					for (const style of stylesOf(name)) always.add(style);
			}
			this.emitFile({
				type: 'asset',
				fileName: 'sheet-styles.json',
				source: JSON.stringify({ always: [...always], sheets })
			});
		}
	};
}
