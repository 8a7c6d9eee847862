import type { IncomingMessage, Server } from 'node:http';
import { env } from '$env/dynamic/private';
import { type Admitted, attach, Desk, type KnownHead, livePath } from '@poise/desk';
import WebSocket from 'ws';
import { allowed } from '$lib/model/access';
import { contendForDesk, findDeskOwner } from '../db/deskLock';
import { claimLiveHead, forgetKey, liveHeadsWithKeys } from '../db/liveHeads';
import { findCrew } from '../db/people';
import { sessionOf } from '../session';
import { sayTrouble } from '../trouble';

/** Where heads announce themselves unless it is said otherwise. */
const defaultPort = 7010;
const serverKey = Symbol.for('poise.httpServer');
const attachKey = Symbol.for('poise.attach');
type Shared = { [serverKey]?: Server; [attachKey]?: (server: Server) => void };

let contending: { readonly stop: () => Promise<void> } | null = null;
let desk: Desk | null = null;

/** What is kept of every head, as the desk takes it. */
async function knownHeads(crewId: string): Promise<KnownHead[]> {
	const heads = await liveHeadsWithKeys(crewId);
	return heads.map(({ boxId, id, name, number, key, settings }) => ({
		id: boxId,
		headId: id,
		name,
		number,
		key: key === null ? null : Buffer.from(key, 'hex'),
		watched: settings.hold === 'watched' && settings.zoneBy !== null,
		axes: settings.soft
	}));
}

/** The desk of this process, where it owns the crew's heads; and the doors of its pages, on the application's own port. */
export async function startLive(revised: (crewId: string) => void): Promise<void> {
	const crew = await findCrew();
	if (crew === undefined || contending !== null) return;
	const crewId = crew.id;
	const port = Number(env.POISE_HEADS_PORT ?? defaultPort);
	const origin = `http://127.0.0.1:${env.PORT ?? 3000}`;
	const reload = async () => {
		revised(crewId);
		try {
			desk?.know(await knownHeads(crewId));
		} catch (thrown) {
			sayTrouble('desk', thrown);
		}
	};
	contending = contendForDesk(crewId, origin, {
		gained: async () => {
			const made = new Desk({
				port,
				onClaimed: async ({ id, name, kind, key }) => {
					await claimLiveHead(crewId, { boxId: id, name, kind, key: Buffer.from(key).toString('hex') });
					await reload();
				},
				onUnclaimed: async (id) => {
					await forgetKey(crewId, id);
					await reload();
				}
			});
			await made.begin();
			desk = made;
			await reload();
		},
		lost: () => {
			desk?.end();
			desk = null;
		},
		changed: () => void reload()
	});
	const shared = globalThis as unknown as Shared;
	shared[attachKey] = (server) =>
		attach(server, {
			identify: (request) => identify(request, crewId),
			desk: () => desk,
			owner: () => findDeskOwner(crewId),
			forward
		});
	if (shared[serverKey] !== undefined) shared[attachKey](shared[serverKey]);
}

export async function stopLive(): Promise<void> {
	desk?.end();
	desk = null;
	await contending?.stop();
	contending = null;
}

/** Who opens a socket, and what they may at the desk. */
async function identify(request: IncomingMessage, crewId: string): Promise<Admitted | null> {
	const session = await sessionOf({ cookie: request.headers.cookie ?? null });
	if (session === null || session.crew.id !== crewId) return null;
	return { name: session.person.name, may: (verb) => allowed(session.role, verb) };
}

/** Until the other process answers. */
const mostWaiting = 1000;

/** Another process owns the heads: a page's socket goes on to it, word by word, both ways. */
function forward(socket: WebSocket, owner: string, request: IncomingMessage, said: readonly string[]): void {
	const { cookie } = request.headers;
	const on = new WebSocket(`${owner.replace(/^http/, 'ws')}${livePath}`, {
		perMessageDeflate: false,
		headers: cookie === undefined ? {} : { cookie }
	});
	const waiting = [...said];
	socket.on('message', (data) => {
		if (on.readyState === on.OPEN) on.send(String(data));
		else if (waiting.length < mostWaiting) waiting.push(String(data));
	});
	on.on('open', () => waiting.splice(0).forEach((text) => on.send(text)));
	on.on('message', (data) => socket.readyState === socket.OPEN && socket.send(String(data)));
	for (const [one, other] of [
		[socket, on],
		[on, socket]
	] as const) {
		one.on('close', () => other.terminate());
		one.on('error', () => other.terminate());
	}
}
