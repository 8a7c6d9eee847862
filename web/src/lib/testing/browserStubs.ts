import { vi } from 'vitest';

/** Local storage as a browser has it, for the tests that run without one. */
export function stubStorage(): Map<string, string> {
	const stored = new Map<string, string>();
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => stored.get(key) ?? null,
		setItem: (key: string, value: string) => void stored.set(key, value),
		removeItem: (key: string) => void stored.delete(key),
		key: (index: number) => [...stored.keys()][index] ?? null,
		get length() {
			return stored.size;
		}
	});
	return stored;
}

export interface Asked {
	readonly method: string;
	readonly path: string;
	// eslint-disable-next-line @typescript-eslint/no-explicit-any
	readonly body: any;
}
type Answer = { readonly status: number; readonly body: unknown } | 'no link';

/** A server that answers as the test says; every request is kept in the order it came. */
export function stubServer(answer: (asked: Asked) => Answer): Asked[] {
	const requests: Asked[] = [];
	vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
		const asked: Asked = {
			method: init.method ?? 'GET',
			path,
			body: typeof init.body === 'string' ? JSON.parse(init.body) : undefined
		};
		requests.push(asked);
		const given = answer(asked);
		if (given === 'no link') throw new TypeError('fetch failed');
		return new Response(JSON.stringify(given.body), { status: given.status });
	});
	return requests;
}
