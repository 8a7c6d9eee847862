/**
 * Keeps something running until it is told to end: whenever it ends by itself it is started anew, after a pause that grows with every end and
 * is short again once it has run for a while; each time it says so.
 *
 * @param {string} what in words, at the start of a sentence
 * @param {{ start: () => Promise<{ ended: Promise<unknown>, stop: () => Promise<void> }>, signal: AbortSignal,
 *   say?: (words: string) => void, pausesS?: readonly number[], settledS?: number }} how
 * @returns {Promise<{ stop: () => Promise<void> }>} once it runs for the first time; a first start that fails is thrown
 */
export async function supervise(
	what,
	{ start, signal, say = console.error, pausesS = [1, 2, 4, 8, 15, 30], settledS = 60 }
) {
	/** @type {Awaited<ReturnType<typeof start>> | null} */
	let running = await start();
	const keep = async () => {
		let ends = 0;
		while (!signal.aborted) {
			const begun = Date.now();
			const how = running === null ? 'it did not start' : await running.ended;
			if (signal.aborted) return;
			running = null;
			if (Date.now() - begun > settledS * 1000) ends = 0;
			const pauseS = pausesS[Math.min(ends, pausesS.length - 1)] ?? 30;
			ends += 1;
			say(`${what} ended by itself (${String(how)}). It is started anew in ${pauseS} s; what was saved is kept.`);
			await pause(pauseS * 1000, signal);
			if (signal.aborted) return;
			running = await start().then(
				(started) => (say(`${what} runs again.`), started),
				(thrown) => (say(thrown instanceof Error ? thrown.message : String(thrown)), null)
			);
		}
	};
	const kept = keep();
	return {
		stop: async () => {
			await running?.stop();
			await kept;
			// One that had just begun to start is ended too.
			await running?.stop();
		}
	};
}

/** @returns {Promise<void>} */
const pause = (/** @type {number} */ ms, /** @type {AbortSignal} */ signal) =>
	new Promise((resolve) => {
		const timer = setTimeout(resolve, ms);
		signal.addEventListener('abort', () => (clearTimeout(timer), resolve()), { once: true });
	});
