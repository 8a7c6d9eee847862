import { EventEmitter } from 'node:events';
import { describe, expect, it } from 'vitest';
import { Deal } from './deal';
import { type FromDesk, type FromPage, readFromPage } from './messages';
import { Page } from './page';

const grant = (head: string, sequence: number): FromPage => ({
	...{ type: 'grant', head, epoch: 1, sequence, issuedAtMs: 10 * sequence, echoMs: 1 }
});
const stick = (rate: number): FromPage => ({ type: 'stick', head: 'a', rates: { panRad: rate } });

describe('a deal', () => {
	it('is one word a moment however many heads are held, by the sockets in turn', () => {
		const deal = new Deal();
		const sent: [number, FromPage][] = [];
		for (let k = 1; k <= 8; k += 1) {
			for (const head of ['a', 'b', 'c']) deal.put(grant(head, k));
			deal.pass(4, (slot, message) => sent.push([slot, message]) > 0);
		}
		expect(sent.map(([slot]) => slot)).toEqual([1, 2, 3, 0, 1, 2, 3, 0]);
		for (const [, message] of sent) expect(readFromPage(JSON.stringify(message))).toEqual(message);
		expect(sent.map(([, message]) => message.type === 'many' && message.said.length)).toEqual(Array(8).fill(3));
	});
	it('goes by the next socket where one is gone, and of a stick says only the newest', () => {
		const deal = new Deal();
		const sent: [number, FromPage][] = [];
		deal.put(stick(0.1));
		deal.put(stick(0.2));
		deal.pass(4, (slot, message) => slot !== 1 && sent.push([slot, message]) > 0);
		expect(sent).toEqual([[2, { type: 'many', count: 1, said: [stick(0.2)] }]]);
	});
	it('what no socket takes is not kept for later: late grants are none', () => {
		const deal = new Deal();
		deal.put(grant('a', 1));
		deal.pass(4, () => false);
		const sent: FromPage[] = [];
		deal.pass(4, (_slot, message) => sent.push(message) > 0);
		expect(sent).toEqual([]);
	});
});

class Socket extends EventEmitter {
	readonly OPEN = 1;
	readyState = 1;
	bufferedAmount = 0;
	sent: FromDesk[] = [];
	send(text: string) {
		this.sent.push(JSON.parse(text) as FromDesk);
	}
	terminate() {}
}
describe('the page at the desk', () => {
	const opened = () => {
		const heeded: FromPage[] = [];
		const page = new Page({ page: 'p', name: 'Somebody' }, () => true, {
			heed: (message) => heeded.push(message),
			gone: () => {}
		});
		const sockets = [0, 1, 2, 3].map((slot) => {
			const socket = new Socket();
			page.add(slot, socket as never);
			socket.sent = [];
			return socket;
		});
		const says = (slot: number, message: FromPage) => sockets[slot]!.emit('message', JSON.stringify(message));
		return { page, sockets, heeded, says };
	};
	it('a stick that was held back on its socket moves nothing any more; a grant beside it is handed on', () => {
		const { heeded, says } = opened();
		says(1, { type: 'many', count: 2, said: [stick(0)] });
		says(0, { type: 'many', count: 1, said: [stick(0.9), grant('a', 7)] });
		says(2, { type: 'many', count: 3, said: [stick(0.1)] });
		expect(heeded).toEqual([stick(0), grant('a', 7), stick(0.1)]);
	});
	it('is told by its sockets in turn', () => {
		const { page, sockets } = opened();
		for (let k = 0; k < 8; k += 1) page.tell({ type: 'heard', head: 'a', headMs: k, epoch: 1, at: {} });
		for (const { sent } of sockets) expect(sent).toHaveLength(2);
	});
	it('no word within a word within a word', () => {
		const inner = { type: 'many', count: 1, said: [grant('a', 1)] };
		expect(readFromPage(JSON.stringify({ type: 'many', count: 1, said: [inner] }))).toBeNull();
		expect(readFromPage('{"type":"many","count":1,"said":[{"type":"launch"}]}')).toBeNull();
	});
});
