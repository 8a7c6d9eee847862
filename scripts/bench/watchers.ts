/*
 * Two hundred pages that only look on, in a process of their own: how old what they see is. Their clock is the heads': both run on this machine.
 *
 *   tsx scripts/bench/watchers.ts ORIGIN SECONDS ORIGIN_OF_THE_HEADS_CLOCK_MS HEAD
 */
import WebSocket from 'ws';
import { type FromDesk, pageProtocol } from '../../desk/src/messages';

const [origin = '', seconds = '6', clockMs = '0', headId = ''] = process.argv.slice(2);
const ages: number[] = [];
for (let k = 0; k < 200; k += 1) {
	const socket = new WebSocket(`${origin.replace('http', 'ws')}/live/socket`);
	await new Promise((resolve) => socket.once('open', resolve));
	socket.send(JSON.stringify({ type: 'hello', v: pageProtocol, page: `watcher ${k} ${Math.random()}`, slot: 0 }));
	socket.on('message', (data) => {
		const receivedMs = performance.timeOrigin + performance.now();
		// Read by every tenth alone, so that reading is not what is measured.
		if (k % 10 !== 0) return;
		const said = JSON.parse(String(data)) as FromDesk;
		if (said.type !== 'heads') return;
		const head = said.heads.find(({ id }) => id === headId);
		if (head !== undefined) ages.push(receivedMs - (Number(clockMs) + head.headMs));
	});
}
ages.length = 0;
setTimeout(
	() => {
		ages.sort((one, two) => one - two);
		const at = (part: number) => Number((ages[Math.floor(part * (ages.length - 1))] ?? NaN).toFixed(1));
		console.log(JSON.stringify({ p50: at(0.5), p95: at(0.95), seen: ages.length }));
		process.exit(0);
	},
	1000 * Number(seconds)
);
