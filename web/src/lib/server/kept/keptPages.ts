import { LRUCache } from 'lru-cache';

/** A page as it goes out. */
interface Page {
	readonly status: number;
	readonly headers: readonly [string, string][];
	readonly body: Uint8Array<ArrayBuffer> | null;
}
export interface Asked {
	/** How often what the page is made from was written; null: not known. */
	readonly revision: string | null;
	readonly crewId: string;
	readonly personId: string;
	readonly host: string;
	/** Path and query. */
	readonly path: string;
	readonly isData: boolean;
	readonly isGzip: boolean;
	/** The page that whoever asks has already. */
	readonly known: string | null;
}
const mostBytes = 48_000_000;
/** A page that says what day it is is a minute late at most. */
const longestMs = 60_000;

/** Pages that went out, given again to the same person for as long as nothing of the crew was written. */
export class KeptPages {
	readonly #kept = new LRUCache<string, Page>({ maxSize: mostBytes, ttl: longestMs });
	/** One that is asked for by many at the same moment is made once. */
	readonly #making = new Map<string, Promise<Page>>();

	async of({ known, ...asked }: Asked, make: () => Promise<Response>): Promise<Response> {
		if (asked.revision === null) return make();
		const key = JSON.stringify(asked);
		const awaited = this.#making.get(key);
		const kept = this.#kept.get(key) ?? (awaited === undefined ? undefined : await awaited);
		if (kept !== undefined && isWhole(kept)) return given(kept, known);
		const making = make().then(whole);
		this.#making.set(key, making);
		// Whoever waits for it hears what went wrong with it; so does whoever asked for it.
		making.catch(() => {});
		try {
			const page = await making;
			if (isWhole(page)) this.#kept.set(key, page, { size: page.body!.byteLength + 2000 });
			return new Response(page.body, { status: page.status, headers: [...page.headers] });
		} finally {
			if (this.#making.get(key) === making) this.#making.delete(key);
		}
	}
}

async function whole(response: Response): Promise<Page> {
	const { status, headers, body } = response;
	return {
		...{ status, headers: [...headers] },
		body: body === null ? null : new Uint8Array(await response.arrayBuffer())
	};
}
/** One that sets a cookie is for whoever asked for it; one that is no page is worth nothing to the next. */
const isWhole = ({ status, headers, body }: Page): boolean =>
	status === 200 && body !== null && !headers.some(([name]) => name === 'set-cookie');

function given({ status, headers, body }: Page, known: string | null): Response {
	const all: [string, string][] = [...headers.filter(([name]) => name !== 'server-timing'), ['server-timing', 'kept']];
	const isSame = known !== null && headers.some(([name, value]) => name === 'etag' && value === known);
	return isSame ? new Response(null, { status: 304, headers: all }) : new Response(body, { status, headers: all });
}
