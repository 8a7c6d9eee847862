import type { RefusalBody } from '$lib/server/refusal';

/** What came of asking the server: an answer, a refusal in its words, or no link at all. */
export type Outcome<T> =
	| { readonly ok: true; readonly value: T }
	| { readonly ok: false; readonly away: boolean; readonly error: RefusalBody['error'] };

const noLink: RefusalBody['error'] = {
	code: 'databaseAway',
	message: 'No link to the server. What you typed is kept here and sent when the link is back.'
};

/** What was refused, and in which fields: for a place that has none of them to say it at. */
export function saidOf({ message, fields }: RefusalBody['error']): string {
	const named = Object.entries(fields ?? {}).map(([field, words]) => `${field}: ${words}`);
	return named.length === 0 ? message : `${message} ${named.join(' ')}`;
}

/** Sends JSON and reads JSON; never throws. `away` means trying again later makes sense. */
export async function ask<T>(
	method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
	path: string,
	body?: unknown
): Promise<Outcome<T>> {
	try {
		const response = await fetch(path, {
			method,
			...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
		});
		const read: unknown = await response.json();
		if (response.ok) return { ok: true, value: read as T };
		return { ok: false, away: response.status >= 500, error: (read as RefusalBody).error };
	} catch {
		return { ok: false, away: true, error: noLink };
	}
}
