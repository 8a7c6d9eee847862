import { error } from '@sveltejs/kit';
import { asRefusal } from './refusal';

/** Runs a page's load; an expected "no" becomes a page that says so. */
export async function pageLoad<T>(work: () => Promise<T>): Promise<T> {
	try {
		return await work();
	} catch (thrown) {
		const refusal = asRefusal(thrown);
		if (refusal.code === 'internal') throw thrown;
		error(refusal.status, { message: refusal.message, code: refusal.code });
	}
}
