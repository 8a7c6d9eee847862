import { sendAll } from '$lib/keeping/unsent';

/**
 * Following a link asks the server for the next page's data. Without the server that would end on the browser's own error
 * page; instead the request is repeated here until the server is back, and the page that is open stays, with all that is
 * typed in it.
 */
class Away {
	/** Requests for a page's data that wait for the server. */
	waiting = $state(0);
}
export const away = new Away();

const everyMs = 1500;

/** Puts the patience in front of the browser's fetch; gives a function that takes it away. The router asks by `window.fetch` so that this can be done. */
export function waitForServer(): () => void {
	const plain = window.fetch;
	let stopped = false;
	const patient: typeof fetch = async (input, init) => {
		const address = input instanceof Request ? input.url : String(input);
		if (!new URL(address, location.href).pathname.endsWith('__data.json')) return plain(input, init);
		let counted = false;
		try {
			for (;;) {
				try {
					const response = await plain(input, init);
					// A proxy in between answers for a server that is away.
					if (stopped || ![502, 503, 504].includes(response.status)) {
						if (counted) await sendAll();
						return response;
					}
				} catch (thrown) {
					if (stopped || !(thrown instanceof TypeError)) throw thrown;
				}
				if (!counted) away.waiting += 1;
				counted = true;
				await new Promise((resolve) => setTimeout(resolve, everyMs));
			}
		} finally {
			if (counted) away.waiting -= 1;
		}
	};
	window.fetch = patient;
	return () => {
		stopped = true;
		if (window.fetch === patient) window.fetch = plain;
	};
}
