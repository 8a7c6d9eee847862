import { createSocket, type Socket } from 'node:dgram';
import type { Driver as Person } from '@poise/core';
import { addressOf, freshNonce } from '@poise/link';
import { confirmClaim, type KeepClaimed } from './confirmClaim';
import { refusalOf, verbOf } from './allowed';
import type { FromDesk, FromPage } from './messages';
import { type May, Page } from './page';
import { HeadLink } from './headLink';
import { type KnownHead, Station } from './station';
import { Strangers } from './strangers';

export interface DeskSettings {
	/** Where heads announce themselves. */
	readonly port: number;
	readonly host?: string;
	/** A head has become this crew's: its key, to be kept. */
	readonly onClaimed: KeepClaimed;
	readonly onUnclaimed: (id: string) => Promise<void>;
}
/** Watchers are told so often, and what has not changed at least so often: by it they know that the desk is there. */
const [watchMs, sameMs] = [80, 1000] as const;
const untold = { text: '', atMs: -Infinity };
/** The desk of a crew: it owns the clock, the links and who drives what. Pages come and go; heads rest by themselves without it. */
export class Desk {
	readonly #settings: DeskSettings;
	readonly #nonce = freshNonce();
	readonly #socket: Socket;
	readonly #stations = new Map<string, Station>();
	readonly #pages = new Map<string, Page>();
	#known = new Map<string, KnownHead>();
	#timer: NodeJS.Timeout | null = null;
	#stoppedBy: string | null = null;
	#clearing: { readonly by: string; readonly untilMs: number } | null = null;
	#toldMs = 0;
	/** What everybody was told last, and when; of somebody who has come since, nothing. */
	#told = untold;
	#sweptMs = 0;
	readonly #strangers = new Strangers((id) => {
		if (this.#stations.get(id)?.known === null) this.#stations.delete(id);
	});

	constructor(settings: DeskSettings) {
		this.#settings = settings;
		this.#socket = createSocket('udp4');
	}

	async begin(): Promise<void> {
		this.#socket.on('message', (bytes, { address, port }) => {
			try {
				this.#receive(bytes, address, port);
			} catch (thrown) {
				console.error('desk, a datagram:', thrown);
			}
		});
		await new Promise<void>((resolve, reject) => {
			this.#socket.once('error', reject);
			this.#socket.bind(this.#settings.port, this.#settings.host ?? '127.0.0.1', resolve);
		});
		this.#socket.on('error', (thrown) => console.error('desk:', thrown.message));
		this.#timer = setInterval(() => this.#tick(), 5);
	}
	/** It falls silent: heads brake by themselves. */
	end(): void {
		if (this.#timer !== null) clearInterval(this.#timer);
		this.#socket.close();
		for (const page of this.#pages.values()) page.close();
		this.#pages.clear();
	}

	/** The heads that the crew keeps, as they are now. */
	know(heads: readonly KnownHead[]): void {
		this.#known = new Map(heads.map((head) => [head.id, head]));
		for (const head of heads) {
			this.#strangers.forget(head.id);
			this.#station(head.id).know(head);
		}
		const atMs = performance.now();
		for (const [id, station] of this.#stations) {
			if (station.known === null || this.#known.has(id)) continue;
			station.know(null);
			this.#strangers.hear(id, atMs);
		}
	}

	/** Of a head that is kept, or that is nobody's: of those the one that was silent longest gives way to a new one. */
	#station(id: string): Station {
		const had = this.#stations.get(id);
		if (had !== undefined) return had;
		const made = new Station(
			new HeadLink(id, this.#nonce, (bytes, { address, port }) => this.#socket.send(bytes, port, address, () => {}))
		);
		this.#stations.set(id, made);
		made.know(this.#known.get(id) ?? null);
		return made;
	}
	#receive(bytes: Uint8Array, address: string, port: number): void {
		const at = addressOf(bytes);
		if (at === null) return;
		const { headId: id, type } = at;
		// Only what announces itself is minded.
		if (type !== 'announce' && !this.#stations.has(id)) return;
		const atMs = performance.now();
		const station = this.#station(id);
		const message = station.link.receive(bytes, atMs, { address, port });
		if (message === null) {
			if (station.known === null && !this.#strangers.has(id)) this.#stations.delete(id);
			return;
		}
		if (station.known === null) this.#strangers.hear(id, atMs);
		station.hear(message, atMs);
		if (message === 'announced') return;
		if (message.type === 'offer')
			this.#pages.get(message.holder)?.tell({ type: 'offer', head: id, press: message.press, epoch: message.epoch });
		if (message.type === 'refuse')
			this.#pages.get(message.holder)?.tell({ type: 'refused', head: id, press: message.press, why: message.why });
		if (message.type !== 'state') return;
		// A head that was stopped by whoever was the desk before stays so.
		if (message.stoppedBy !== '' && this.#stoppedBy === null && this.#clearing === null && station.known !== null)
			this.#stoppedBy = message.stoppedBy;
		const driver = station.driver === null ? undefined : this.#pages.get(station.driver.page);
		driver?.tell({
			...{ type: 'heard', head: id, headMs: message.headMs, epoch: message.epoch === 0 ? null : message.epoch },
			at: Object.fromEntries(message.each.map(({ axis, at }) => [axis, at]))
		});
	}

	#tick(): void {
		const atMs = performance.now();
		const clearing = this.#clearing;
		if (clearing !== null) {
			if (atMs > clearing.untilMs) this.#clearing = null;
			for (const { link } of this.#stations.values())
				if (link.state !== null && link.state.stoppedBy !== '') link.say({ type: 'clear', by: clearing.by });
		}
		for (const station of this.#stations.values()) {
			try {
				station.tick(atMs, this.#stoppedBy);
			} catch (thrown) {
				// One head's trouble is not the others': it is said, and that head hears nothing, which lets it rest.
				console.error(`desk, head ${station.link.id}:`, thrown);
			}
		}
		if (atMs - this.#sweptMs > 1000) {
			this.#sweptMs = atMs;
			this.#strangers.sweep(atMs);
		}
		if (atMs - this.#toldMs < watchMs) return;
		this.#toldMs = atMs;
		this.#tell(atMs);
	}
	#tell(atMs: number): void {
		if (this.#pages.size === 0) return;
		const nameOf = (page: string) => this.#pages.get(page)?.person.name ?? null;
		const link = (id: string) => this.#stations.get(id)?.link;
		const strangers = this.#strangers
			.newest((id) => link(id)?.isAwake(atMs) === true || link(id)?.claiming === true)
			.map((id) => this.#stations.get(id)!);
		const ours = [...this.#stations.values()].filter(({ known }) => known !== null);
		ours.sort((one, two) => one.known!.number - two.known!.number || one.link.id.localeCompare(two.link.id));
		const heads = [...ours, ...strangers].map((station) => station.seen(atMs, nameOf));
		const said: FromDesk = { type: 'heads', heads, stoppedBy: this.#stoppedBy, pages: this.#pages.size };
		// Written once for everybody.
		const text = JSON.stringify(said);
		if (text === this.#told.text && atMs - this.#told.atMs < sameMs) return;
		this.#told = { text, atMs };
		const bytes = Buffer.from(text);
		// Whom it did not reach is told again as soon as it can be.
		for (const page of this.#pages.values()) if (!page.show(bytes)) this.#told = untold;
	}

	/** A page by its name, and what it may from now on; its sockets come one by one. */
	page(person: Person, may: May): Page {
		this.#told = untold;
		const had = this.#pages.get(person.page);
		if (had !== undefined) {
			[had.person, had.may] = [person, may];
			return had;
		}
		const page = new Page(person, may, {
			heed: (message) => this.#heed(page, message),
			gone: () => this.#gone(page)
		});
		this.#pages.set(person.page, page);
		return page;
	}
	#gone(page: Page): void {
		if (this.#pages.get(page.person.page) !== page) return;
		this.#pages.delete(page.person.page);
		for (const station of this.#stations.values()) station.gone(page.person.page);
	}

	#heed(page: Page, message: FromPage): void {
		const atMs = performance.now();
		const { person } = page;
		if (!page.may(verbOf(message))) {
			const told = refusalOf(message);
			if (told !== null) page.tell(told);
			return;
		}
		if (message.type === 'stopAll') {
			[this.#stoppedBy, this.#clearing] = [person.name, null];
			for (const { link, known } of this.#stations.values())
				if (known !== null) for (let k = 0; k < 3; k += 1) link.say({ type: 'stop', by: person.name });
			for (const station of this.#stations.values()) station.halt(true);
			return this.#tell(atMs);
		}
		if (message.type === 'clear') {
			if (person.name === '') return;
			[this.#stoppedBy, this.#clearing] = [null, { by: person.name, untilMs: atMs + 2000 }];
			for (const station of this.#stations.values()) station.halt();
			return this.#tell(atMs);
		}
		if (message.type === 'hello' || message.type === 'many' || !('head' in message)) return;
		const station = this.#stations.get(message.head);
		if (station === undefined) return;
		switch (message.type) {
			case 'record':
				return station.link.say({ type: 'record', on: message.on ? 1 : 0 });
			case 'blink':
				return station.link.say({ type: 'blink', times: 3 });
			case 'claim':
				if (!station.link.claim(atMs))
					page.tell({
						type: 'claimed',
						head: message.head,
						ok: false,
						words: 'It is another desk’s, or not switched on.'
					});
				return;
			case 'confirm':
				return void confirmClaim(page, station, message.code, this.#settings.onClaimed);
			case 'unclaim':
				for (let k = 0; k < 3; k += 1) station.link.say({ type: 'unclaim' });
				return void this.#settings.onUnclaimed(message.head).catch((thrown: unknown) => console.error('desk:', thrown));
			default: {
				const told = station.heed(message, person, atMs);
				if (told !== null) page.tell(told);
				// What stands by is on every screen before a hand comes to the hold.
				if (message.type !== 'beat' && message.type !== 'grant' && message.type !== 'stick') this.#tell(atMs);
			}
		}
	}
}
