import type { RequestEvent } from '@sveltejs/kit';
import type { ChangeEar } from '../db/changes';
import { KeptAnswers } from './keptAnswers';
import type { Written } from './readSet';

/** A page as it goes out. */
interface Page {
	readonly status: number;
	readonly headers: readonly [string, string][];
	readonly body: Uint8Array<ArrayBuffer> | null;
}
/** A printed page may say what day it is. */
const longestMs = 10 * 60_000;

/** `serve.mjs` asks here first, with the request as Node has it: a page that is kept needs nothing of SvelteKit. */
const seam = Symbol.for('poise.keptPage');

interface Asked {
	readonly host: string;
	/** Path and query. */
	readonly path: string;
	readonly isData: boolean;
	readonly encodings: string;
	readonly person: string;
}
const keyOf = ({ host, path, isData, encodings, person }: Asked): string =>
	[host, path, isData, /\bgzip\b/.test(encodings), person].join('\n');

/** The first cookie of that name, as `event.cookies` reads it. */
function cookieIn(header: string, name: string): string {
	for (const each of header.split(';')) {
		const [key, value] = each.split('=', 2);
		if (key?.trim() === name) return decodedOr(value?.trim() ?? '');
	}
	return '';
}
function decodedOr(text: string): string {
	try {
		return decodeURIComponent(text);
	} catch {
		return text;
	}
}

/** Pages that went out, given again until a row they were made from is written. */
export class KeptPages {
	readonly #pages: KeptAnswers<Page>;

	constructor(ear: () => ChangeEar | null) {
		this.#pages = new KeptAnswers<Page>(ear, {
			weigh: ({ status, headers, body }) =>
				status === 200 && body !== null && !headers.some(([name]) => name === 'set-cookie') ? body.byteLength : null,
			...{ mostBytes: 48_000_000, longestMs }
		});
	}

	/** Kept, or made by `make`. */
	async of(event: RequestEvent, make: () => Promise<Response>): Promise<Response> {
		const { request, cookies, isDataRequest } = event;
		const { pathname, search } = new URL(request.url);
		const key = keyOf({
			...{ host: request.headers.get('host') ?? '', path: pathname + search, isData: isDataRequest },
			...{ encodings: request.headers.get('accept-encoding') ?? '', person: cookies.get('person') ?? '' }
		});
		const { answer: page, wasKept } = await this.#pages.of(key, async () => {
			const response = await make();
			const { status, headers } = response;
			// One that is no whole page has no body, or none worth holding.
			return {
				status,
				headers: [...headers],
				body: response.body === null ? null : new Uint8Array(await response.arrayBuffer())
			};
		});
		const response = new Response(page.body, { status: page.status, headers: [...page.headers] });
		if (!wasKept) return response;
		response.headers.set('server-timing', 'kept');
		if (!isSame(page, request.headers.get('if-none-match'))) return response;
		return new Response(null, { status: 304, headers: response.headers });
	}

	/** Lets the server give kept pages out by itself, before anything else is asked. */
	openTo(shared: Record<symbol, unknown>): void {
		shared[seam] = (method: string, path: string, headers: Readonly<Record<string, string | undefined>>) => {
			if (method !== 'GET') return null;
			const { host = '', cookie = '', 'accept-encoding': encodings = '', 'if-none-match': known = null } = headers;
			const page = this.#pages.peek(
				keyOf({ host, path, isData: false, encodings, person: cookieIn(cookie, 'person') })
			);
			if (page === null) return null;
			const kept = [...page.headers, ['server-timing', 'kept']] as const;
			return isSame(page, known) ? { status: 304, headers: kept, body: null } : { ...page, headers: kept };
		};
	}

	written(row: Written): void {
		this.#pages.written(row);
	}
	forgetAll(): void {
		this.#pages.forgetAll();
	}
}

const isSame = ({ headers }: Page, known: string | null): boolean =>
	known !== null && headers.some(([name, value]) => name === 'etag' && value === known);
