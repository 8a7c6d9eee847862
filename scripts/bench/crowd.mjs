import { Agent, request } from 'node:http';

/**
 * Two hundred at once on one server: pages read and payloads saved, beside a route that does nothing. They run on the same machine
 * and take part of it.
 */
const clients = 200;
const seconds = 12;

/** @typedef {{ method: string, path: string, body?: object }} Ask */

/** @returns {Promise<{ status: number, text: string, ms: number }>} */
function ask(/** @type {string} */ origin, /** @type {Agent} */ agent, /** @type {Ask} */ { method, path, body }) {
	return new Promise((resolve, reject) => {
		const began = performance.now();
		const sent = request(origin + path, {
			...{ method, agent },
			headers: body === undefined ? { 'accept-encoding': 'gzip' } : { 'content-type': 'application/json' }
		});
		sent.on('error', reject);
		sent.on('response', (response) => {
			/** @type {Buffer[]} */
			const pieces = [];
			response.on('data', (piece) => pieces.push(piece));
			response.on('end', () =>
				resolve({
					status: response.statusCode ?? 0,
					text: method === 'GET' ? '' : Buffer.concat(pieces).toString(),
					ms: performance.now() - began
				})
			);
		});
		sent.end(body === undefined ? undefined : JSON.stringify(body));
	});
}

/** What everybody does over and over: given what the last answer was, the next ask. */
async function crowd(
	/** @type {string} */ origin,
	/** @type {(client: number) => (last: { status: number, text: string } | null) => Ask} */ behaviour
) {
	const agent = new Agent({ keepAlive: true, maxSockets: clients });
	/** @type {Record<string, number[]>} */
	const times = { GET: [], PUT: [] };
	/** @type {Record<string, number>} */
	const refused = {};
	const began = performance.now();
	const until = began + seconds * 1000;
	await Promise.all(
		Array.from({ length: clients }, async (_, client) => {
			const next = behaviour(client);
			let last = null;
			while (performance.now() < until) {
				const asked = next(last);
				last = await ask(origin, agent, asked);
				times[asked.method]?.push(last.ms);
				if (last.status >= 400) refused[last.status] = (refused[last.status] ?? 0) + 1;
			}
		})
	);
	agent.destroy();
	return { times, refused, lastedS: (performance.now() - began) / 1000 };
}

const figures = (/** @type {number[]} */ values) => {
	const sorted = [...values].sort((a, b) => a - b);
	const at = (/** @type {number} */ part) =>
		Math.round(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? 0);
	return { p50: at(0.5), p99: at(0.99), max: at(1) };
};

export async function crowded(/** @type {string} */ origin) {
	const get = async (/** @type {string} */ path) => (await fetch(origin + path)).json();
	const [payloads, gimbals] = [await get('/api/payloads'), await get('/api/supports/gimbal')];
	const pages = payloads.flatMap((/** @type {{ id: string }} */ { id }) => [
		`/payload/${id}`,
		...gimbals.map((/** @type {{ id: string }} */ gimbal) => `/balance/gimbal/${gimbal.id}/${id}`)
	]);
	const mine = await Promise.all(
		Array.from({ length: clients }, async (_, client) => {
			const { platePartId, placements } = payloads[client % payloads.length];
			const made = await fetch(`${origin}/api/payloads`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ name: `Client ${client}`, platePartId, placements })
			});
			return made.json();
		})
	);
	const empty = await crowd(origin, () => () => ({ method: 'GET', path: '/health' }));
	const read = await crowd(origin, (client) => {
		let n = client;
		return () => ({ method: 'GET', path: pages[(n += 1) % pages.length] });
	});
	const saved = await crowd(origin, (client) => {
		let payload = mine[client];
		let n = client;
		let wasPut = false;
		return (last) => {
			if (wasPut && last?.status === 200) payload = JSON.parse(last.text);
			wasPut = (n += 1) % 4 === 0;
			if (!wasPut) return { method: 'GET', path: pages[n % pages.length] };
			const { id, name, platePartId, placements, version } = payload;
			return { method: 'PUT', path: `/api/payloads/${id}`, body: { name, platePartId, placements, version } };
		};
	});
	const print = (/** @type {string} */ figure, /** @type {typeof read} */ { times, refused, lastedS }) => {
		for (const [method, values] of Object.entries(times))
			if (values.length > 0)
				console.log(
					JSON.stringify({
						...{ figure: `${clients} at once, ${figure}: ${method}`, unit: 'ms', budget: 1000, ...figures(values) },
						...{ perSecond: Math.round(values.length / lastedS), refused }
					})
				);
	};
	print('the route that does nothing', empty);
	print('pages', read);
	print('three pages and a save', saved);
	for (const { id } of mine) await fetch(`${origin}/api/payloads/${id}`, { method: 'DELETE' });
}
