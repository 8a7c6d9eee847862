/*
 * Live, with real processes: how long a stick takes to a head beside a bare echo, what the desk costs, how old watchers' states are; and, in
 * simulated time, how often a hold lets go by itself over a poor link.
 *
 *   tsx scripts/bench/live.ts ORIGIN HEADS_PORT PID
 */
import { createSocket } from 'node:dgram';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import WebSocket, { WebSocketServer } from 'ws';
import { holdOverLink } from '../../core/src/testing/holdOverLink';
import { SimHead } from '../../head-sim/src/simHead';
import { addressOf } from '../../link/src/index';
import { TestPage, until } from '../../web/tests/live/page';
import { run } from '../steps.mjs';

const [origin = '', port = '', pid = ''] = process.argv.slice(2);
const say = (figures: Record<string, unknown>) => console.log(JSON.stringify(figures));
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const quantile = (list: readonly number[], part: number) =>
	[...list].sort((one, two) => one - two)[Math.min(list.length - 1, Math.floor(part * list.length))] ?? NaN;
const rounded = (value: number) => Number(value.toFixed(2));
const ids = Array.from({ length: 8 }, (_, k) => `bench-${k + 1}`);

/** Eight heads in this process, so that a stick and what comes of it are timed by one clock. */
let driven = (_id: string, _rate: number) => {};
const socket = createSocket('udp4');
const heads = new Map(
	ids.map((id) => [
		id,
		new SimHead(
			{ id, name: id, pattern: 'small' },
			{ key: null },
			{
				out: (bytes) => socket.send(bytes, Number(port), '127.0.0.1'),
				keep: () => {},
				obeyed: (message) => {
					if (message.type === 'drive') driven(id, message.each.find(({ axis }) => axis === 'panRad')?.rate ?? 0);
				}
			}
		)
	])
);
socket.on('message', (bytes) => heads.get(addressOf(bytes)?.headId ?? '')?.receive(bytes));
await new Promise<void>((resolve) => socket.bind(0, '127.0.0.1', resolve));
setInterval(() => heads.forEach((head) => head.tick(performance.now())), 5);

/** A word over a WebSocket, handed on as a datagram, and back: what the machine itself takes. */
async function bareEcho(): Promise<number[]> {
	const server = createServer();
	const sockets = new WebSocketServer({ server, perMessageDeflate: false });
	const [there, here] = [createSocket('udp4'), createSocket('udp4')];
	await new Promise<void>((resolve) => there.bind(0, '127.0.0.1', resolve));
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	const took: number[] = [];
	let sentMs = 0;
	there.on('message', () => took.push(performance.now() - sentMs));
	sockets.on('connection', (socket) => {
		socket.on('message', (data) => here.send(String(data), there.address().port, '127.0.0.1'));
	});
	const page = new WebSocket(`ws://127.0.0.1:${(server.address() as { port: number }).port}`);
	await new Promise((resolve) => page.once('open', resolve));
	for (let k = 0; k < 400; k += 1) {
		sentMs = performance.now();
		page.send('x'.repeat(90));
		await pause(10);
	}
	page.terminate();
	server.close();
	for (const socket of [there, here]) socket.close();
	return took;
}

const cpuS = () => {
	const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
	return (Number(fields[11]) + Number(fields[12])) / 100;
};

async function held(page: TestPage): Promise<void> {
	await until(() => ids.every((id) => page.head(id)?.link === 'here'), 'eight heads are here');
	for (const id of ids) page.take(id);
	await until(
		() => ids.every((id) => page.head(id)?.linkPage === page.id && page.head(id)!.linkSamples >= 20),
		'known'
	);
	await until(() => {
		for (const id of ids) if (['up', 'ended'].includes(page.hold(id)!.phase)) page.press(id);
		return ids.every((id) => page.head(id)?.phase === 'armed');
	}, 'all are held');
}

// From a stick to the datagram that says so at the head, held; beside it the same way bare.
const echo = await bareEcho();
const page = await TestPage.open(origin);
for (const id of ids) {
	await until(() => page.head(id)?.link === 'free', `${id} is free`);
	page.say({ type: 'claim', head: id });
	await until(() => heads.get(id)!.face().code !== null, `${id} shows its digits`);
	await pause(100);
	page.say({ type: 'confirm', head: id, code: heads.get(id)!.face().code! });
	await until(() => page.head(id)?.link === 'here', `${id} is here`);
}
await held(page);
page.say({ type: 'shape', head: ids[0]!, rampS: 0, trim: 1 });
/** Null: nobody held it just then, which is another figure. */
async function stickTakes(k: number): Promise<number | null> {
	if (['up', 'ended'].includes(page.hold(ids[0]!)!.phase)) page.press(ids[0]!);
	page.steer(ids[0]!, {});
	await pause(90 + 20 * Math.random());
	const sentMs = performance.now();
	const arrives = new Promise<void>((resolve) => {
		driven = (id, rate) => {
			if (id === ids[0] && rate !== 0) resolve();
		};
	});
	page.steer(ids[0]!, { panRad: k % 2 === 0 ? 0.02 : -0.02 });
	await Promise.race([arrives, pause(500)]);
	const tookMs = performance.now() - sentMs;
	driven = () => {};
	return page.hold(ids[0]!)!.phase === 'down' ? tookMs : null;
}
const took: number[] = [];
let notHeld = 0;
for (let k = 0; k < 300; k += 1) {
	const ms = await stickTakes(k);
	if (ms === null) notHeld += 1;
	else took.push(ms);
}
const [own, bare] = [quantile(took, 0.99), quantile(echo, 0.99)];
say({
	what: 'stick → datagram at the head, ms',
	p50: rounded(quantile(took, 0.5)),
	p99: rounded(own),
	bareP99: rounded(bare),
	wantedP99: rounded(1.5 * bare + 20),
	notHeld
});

// What it costs to hold and steer five heads with five pages looking on.
const pages = await Promise.all([1, 2, 3, 4].map(() => TestPage.open(origin)));
const steering = setInterval(() => {
	for (const id of ids) page.steer(id, { panRad: 0.2 * Math.sin(performance.now() / 700) });
}, 20);
const [cpu, beganMs] = [cpuS(), performance.now()];
await pause(10_000);
say({
	what: 'desk, eight heads held and steered at 50 Hz, five pages: part of a core',
	part: rounded(((cpuS() - cpu) * 1000) / (performance.now() - beganMs))
});
for (const each of pages) each.vanish();

// Two hundred that only look on, from a process of their own, while one drives: neither they nor the heads may feel it.
const tookBeside: number[] = [];
const beforeHeld = ids.filter((id) => page.hold(id)?.phase === 'down').length;
const watched = run('npx', [
	...['tsx', 'scripts/bench/watchers.ts', origin, '8', String(performance.timeOrigin), ids[1]!]
]);
clearInterval(steering);
let ended = false;
void watched.then(() => (ended = true));
while (!ended) {
	const ms = await stickTakes(tookBeside.length);
	if (ms !== null) tookBeside.push(ms);
}
const { p50, p95 } = JSON.parse((await watched).trim().split('\n').at(-1)!) as { p50: number; p95: number };
say({
	what: '200 watchers: age of what they see, ms',
	...{ p50, p95, wantedP50: 120 },
	stickP50: rounded(quantile(tookBeside, 0.5)),
	stickP99: rounded(quantile(tookBeside, 0.99)),
	heldBefore: beforeHeld,
	heldStill: ids.filter((id) => page.hold(id)?.phase === 'down').length
});
page.vanish();

// The page is gone while eight heads are held and move: how long until all of them rest, by the clock on the wall.
const moves = (id: string) => Math.abs(heads.get(id)!.face().axes['panRad']!.rate) > 1e-3;
const restedMs: number[] = [];
for (let k = 0; k < 12; k += 1) {
	const going = await TestPage.open(origin);
	await until(() => {
		for (const id of ids) if (going.head(id)?.driver?.page !== going.id) going.take(id);
		return ids.every((id) => going.head(id)?.driver?.page === going.id);
	}, 'they are taken');
	await held(going);
	const turning = setInterval(() => {
		for (const id of ids) going.steer(id, { panRad: k % 2 === 0 ? 0.3 : -0.3 });
	}, 20);
	await until(() => ids.every(moves), 'all move');
	clearInterval(turning);
	const goneMs = performance.now();
	going.vanish();
	while (ids.some((id) => moves(id) || heads.get(id)!.face().phase !== 'rest')) await pause(2);
	restedMs.push(performance.now() - goneMs);
}
say({
	what: 'page gone → eight moving heads at rest, ms by the wall',
	p50: rounded(quantile(restedMs, 0.5)),
	worst: rounded(Math.max(...restedMs))
});

// An hour of holding over poor links, in simulated time: how often it lets go by itself.
for (const lossPart of [0, 0.01, 0.02]) {
	let [stops, minutes] = [0, 0];
	for (let seed = 1; seed <= 30; seed += 1) {
		const link = { leastMs: 8, jitterMs: 30, lossPart, burst: 1, duplicatePart: 0.01 };
		const lastsMs = 125_000;
		const acts = [{ atMs: 3500, act: 'press' as const }];
		const out = holdOverLink({ seed, lastsMs, page: link, link, acts, wants: 'stick' });
		// A hold that was lost stays lost: as long as it was held counts.
		stops += out.brakes.length;
		minutes += ((out.brakes[0]?.atMs ?? lastsMs) - (out.arms[0] ?? lastsMs)) / 60_000;
	}
	say({
		what: `false stops an hour at ${lossPart * 100} % loss, simulated`,
		anHour: rounded((stops / minutes) * 60),
		minutes: rounded(minutes)
	});
}
process.exit(0);
