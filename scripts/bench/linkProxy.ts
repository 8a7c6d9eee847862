/*
 * A poor link between real processes: datagrams both ways are delayed, lost in bursts, doubled; what goes through a socket comes in order, and a
 * lost segment holds back all behind it until it has been sent again, as TCP does.
 */
import { createSocket, type RemoteInfo } from 'node:dgram';
import { type AddressInfo, connect, createServer, type Socket } from 'node:net';
import { badLink, type LinkFault, soundLink } from '../../head-sim/src/badLink';

export interface LinkProxy {
	/** Where heads are to speak to. */
	readonly udpPort: number;
	/** Where pages are to speak to. */
	readonly origin: string;
	set(fault: LinkFault): void;
	close(): void;
}
/** A segment that nobody has acknowledged is sent again after so long, then after twice as long. */
const againMs = 200;

export async function linkProxy(to: { readonly origin: string; readonly udpPort: number }): Promise<LinkProxy> {
	let fault = soundLink;
	const between = badLink(() => fault);
	// Each sender has a socket of its own towards the desk, so that answers find back.
	const senders = new Map<string, ReturnType<typeof createSocket>>();
	const outer = createSocket('udp4');
	const towards = ({ address, port }: RemoteInfo) => {
		const name = `${address}:${port}`;
		const had = senders.get(name);
		if (had !== undefined) return had;
		const made = createSocket('udp4');
		made.on('message', (bytes) => between(() => outer.send(bytes, port, address, () => {})));
		made.bind(0, '127.0.0.1');
		senders.set(name, made);
		return made;
	};
	outer.on('message', (bytes, from) => {
		const own = towards(from);
		between(() => own.send(bytes, to.udpPort, '127.0.0.1', () => {}));
	});
	await new Promise<void>((resolve) => outer.bind(0, '127.0.0.1', resolve));

	const behind = Number(new URL(to.origin).port);
	const open = new Set<Socket>();
	const pass = (one: Socket, other: Socket) => {
		let freeAtMs = 0;
		one.on('data', (chunk) => {
			const nowMs = performance.now();
			let arrivesMs = nowMs + fault.delayMs + fault.jitterMs * Math.random();
			for (let k = 0; k < 6 && Math.random() < fault.lossPart; k += 1) arrivesMs += againMs * 2 ** k;
			freeAtMs = Math.max(freeAtMs, arrivesMs);
			setTimeout(() => other.writable && other.write(chunk), freeAtMs - nowMs);
		});
		for (const event of ['close', 'error'] as const) one.on(event, () => other.destroy());
		one.setNoDelay(true);
		open.add(one);
		one.on('close', () => open.delete(one));
	};
	const server = createServer((page) => {
		const application = connect(behind, '127.0.0.1');
		pass(page, application);
		pass(application, page);
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	return {
		udpPort: outer.address().port,
		origin: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
		set: (next) => void (fault = next),
		close: () => {
			server.close();
			for (const socket of open) socket.destroy();
			outer.close();
			for (const socket of senders.values()) socket.close();
		}
	};
}
