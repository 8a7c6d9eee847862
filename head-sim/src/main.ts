/*
 * One process, any number of simulated heads: they announce themselves to a desk over UDP and move as heads do. What somebody would
 * do to a box (switch it off, pull its cable, hold an axis fast) is done over HTTP on the same machine.
 *
 * node --import tsx head-sim/src/main.ts --desk 127.0.0.1:7010 --control 7011 --heads heads.json --flash .poise/heads
 */
import { createSocket } from 'node:dgram';
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { addressOf } from '@poise/link';
import { type Flash, type HeadSpec, SimHead } from './simHead';

const { values } = parseArgs({
	options: {
		desk: { type: 'string', default: '127.0.0.1:7010' },
		control: { type: 'string', default: '7011' },
		heads: { type: 'string' },
		flash: { type: 'string' }
	}
});
if (values.heads === undefined || values.flash === undefined)
	throw new Error('Say which heads (--heads FILE) and where they keep their keys (--flash FOLDER).');
const [host = '127.0.0.1', port = '7010'] = values.desk.split(':');
const flashFolder = values.flash;
// Whoever has a head's key can move it: for the eyes of one alone, also where it lay open before.
mkdirSync(flashFolder, { recursive: true, mode: 0o700 });
chmodSync(flashFolder, 0o700);
for (const name of readdirSync(flashFolder)) chmodSync(join(flashFolder, name), 0o600);

const socket = createSocket('udp4');
socket.on('error', (thrown) => console.error('heads:', thrown.message));
const specs = JSON.parse(readFileSync(values.heads, 'utf8')) as HeadSpec[];

const flashOf = (id: string) => join(flashFolder, `${id}.json`);
function readFlash(id: string): Flash {
	try {
		return existsSync(flashOf(id)) ? (JSON.parse(readFileSync(flashOf(id), 'utf8')) as Flash) : { key: null };
	} catch {
		return { key: null };
	}
}
const heads = new Map(
	specs.map((spec) => {
		const head = new SimHead(spec, readFlash(spec.id), {
			out: (bytes) => socket.send(bytes, Number(port), host, () => {}),
			keep: (flash) => {
				writeFileSync(`${flashOf(spec.id)}.new`, JSON.stringify(flash), { mode: 0o600 });
				renameSync(`${flashOf(spec.id)}.new`, flashOf(spec.id));
			}
		});
		return [spec.id, head] as const;
	})
);
socket.on('message', (bytes) => {
	const id = addressOf(bytes)?.headId;
	if (id !== undefined) heads.get(id)?.receive(bytes);
});
// Whoever started it is gone, without a word: nothing is left behind.
process.once('disconnect', () => process.exit(0));
process.channel?.unref();
socket.bind(0, '127.0.0.1');
const begunMs = performance.now();
setInterval(() => {
	for (const head of heads.values()) head.tick(performance.now() - begunMs);
}, 5);

const mostBody = 4000;
createServer((request, response) => {
	const say = (status: number, body: unknown) => {
		response.writeHead(status, { 'content-type': 'application/json' });
		response.end(JSON.stringify(body));
	};
	// On this machine alone, and for no page of another site.
	if (request.headers.origin !== undefined) return say(403, { message: 'Not from a page.' });
	if (request.method === 'GET')
		return say(
			200,
			[...heads.values()].map((head) => head.face())
		);
	let text = '';
	request.on('data', (chunk) => {
		text += String(chunk);
		if (text.length > mostBody) request.destroy();
	});
	request.on('end', () => {
		const head = heads.get(request.url?.slice(1) ?? '');
		if (head === undefined) return say(404, { message: 'No such head.' });
		try {
			head.handle(JSON.parse(text) as Record<string, unknown>);
			say(200, head.face());
		} catch {
			say(400, { message: 'Say what to do as JSON.' });
		}
	});
}).listen(Number(values.control), '127.0.0.1', () => console.log('heads ready'));

for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => process.exit(0));
