import { createHash } from 'node:crypto';
import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { type WebSocket, WebSocketServer } from 'ws';
import type { Desk } from './desk';
import { pageProtocol, readFromPage } from './messages';
import type { May } from './page';

/** A name goes to heads too, which take short words. */
const longestName = 60;
/** A page says a hundred words a second at most. */
const mostEarly = 500;

export const livePath = '/live/socket';

/** Somebody of the crew, and what they may. */
export interface Admitted {
	readonly name: string;
	readonly may: May;
}
export interface Doors {
	/** Who asks, by the request's own cookies; null: nobody of this crew. */
	readonly identify: (request: IncomingMessage) => Promise<Admitted | null>;
	/** The desk, where this process is the one that owns it. */
	readonly desk: () => Desk | null;
	/** Where the process is that owns it; null: nobody knows. */
	readonly owner: () => Promise<string | null>;
	/** Hands the socket on to that process. */
	readonly forward: (socket: WebSocket, owner: string, request: IncomingMessage, said: readonly string[]) => void;
}

/** WebSockets on the application's own port: a page's sockets go to the desk, here or in another process. */
export function attach(server: Server, doors: Doors): void {
	const sockets = new WebSocketServer({ noServer: true, maxPayload: 64 * 1024, perMessageDeflate: false });
	server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
		// No parsing: an address that is none is not ours either.
		if (request.url?.split('?', 1)[0] !== livePath) return;
		socket.on('error', () => socket.destroy());
		void admit(request, doors).then((person) => {
			if (person === null) {
				socket.end('HTTP/1.1 403 Forbidden\r\nConnection: close\r\nContent-Length: 0\r\n\r\n', () => socket.destroy());
				return;
			}
			if (socket.destroyed) return;
			sockets.handleUpgrade(request, socket, head, (opened) => void welcome(opened, request, person, doors));
		});
	});
	// A page that is open keeps no server from ending.
	server.on('close', () => sockets.clients.forEach((client) => client.terminate()));
	process.once('SIGTERM', () => sockets.clients.forEach((client) => client.terminate()));
}

/** What a page is called by everybody, also by heads: its secret is not to be had from it. */
const nameOfPage = (secret: string): string =>
	createHash('sha256').update(`poise page/${secret}`).digest('hex').slice(0, 24);

async function admit(request: IncomingMessage, doors: Doors): Promise<Admitted | null> {
	const { origin, host } = request.headers;
	try {
		// A browser says where a socket is opened from; from another site it is opened for nobody.
		if (origin !== undefined && new URL(origin).host !== host) return null;
		return await doors.identify(request);
	} catch {
		return null;
	}
}

async function welcome(socket: WebSocket, request: IncomingMessage, person: Admitted, doors: Doors): Promise<void> {
	socket.on('error', () => socket.terminate());
	const desk = doors.desk();
	if (desk === null) {
		// What it says while the owner is looked for is not lost: its first word says which page it is of.
		const said: string[] = [];
		const hear = (data: unknown) => void (said.length < mostEarly && said.push(String(data)));
		socket.on('message', hear);
		const owner = await doors.owner().catch(() => null);
		socket.off('message', hear);
		if (owner === null) socket.close(1013, 'no desk yet');
		else doors.forward(socket, owner, request, said);
		return;
	}
	// Its first word says which page it is of.
	socket.once('message', (data) => {
		const hello = readFromPage(String(data));
		if (hello?.type !== 'hello' || hello.v !== pageProtocol) {
			socket.close(1002, 'another version: open the page anew');
			return;
		}
		desk
			.page({ page: nameOfPage(hello.secret), name: person.name.slice(0, longestName) }, person.may)
			.add(hello.slot, socket);
	});
	const impatience = setTimeout(() => socket.terminate(), 5000);
	socket.once('message', () => clearTimeout(impatience));
	socket.once('close', () => clearTimeout(impatience));
}
