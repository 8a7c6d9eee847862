import { handOff, type Hold, type HoldEvent, holdStep, leaseTimes, socketsOfHold } from '@poise/core';
import { Deal } from '@poise/desk/deal';
import type { FromDesk, FromPage, HeadSeen } from '@poise/desk/messages';
import { type Intent, nextHold } from '@poise/desk/nextHold';
import { flushSync } from 'svelte';
import { v4 as freshId } from 'uuid';
import { DeskSockets } from './deskSockets';
import { Seldom } from './seldom';

/** No socket brings words so late. */
const anewMs = 3000;
/** Until the desk's answer to who drives is here. */
const tookMs = 1500;

interface Newest {
	readonly headMs: number;
	readonly at: Readonly<Record<string, number>>;
}

/**
 * This page's link to the desk. A page that only watches keeps one socket; one that may hold keeps four, and deals its grants among
 * them. Nothing here makes a head move by itself: grants go out while a press is down, and with the page everything ends.
 */
class DeskWire {
	/** What everybody knows this page by, once the desk has said so. */
	page = $state('');
	/** What only it and the desk know. */
	readonly #secret = freshId();
	heads = $state.raw<readonly HeadSeen[]>([]);
	stoppedBy = $state<string | null>(null);
	linked = $state(false);
	/** Everything was to be stopped while there was no link: it is as soon as there is one. */
	stopOwed = $state(false);
	/** Something of the desk has been heard, ever. */
	heard = $state(false);
	/** The answer to a claim. */
	claimed = $state.raw<Extract<FromDesk, { type: 'claimed' }> | null>(null);
	/** Of every head this page has taken. */
	holds = $state.raw<Readonly<Record<string, Hold>>>({});
	/** Where the heads are that this page drives, as new as an eye can tell. */
	newest = $state.raw<Readonly<Record<string, Newest>>>({});

	readonly #sockets = new DeskSockets({
		secret: this.#secret,
		hear: (message) => this.#hear(message),
		lost: () => (this.linked = false)
	});
	#timer: ReturnType<typeof setInterval> | undefined;
	#users = 0;
	#quiet = new Map<string, Hold>();
	/** What each press is for, as it stood on the screen: it goes with the press. */
	readonly #intents = new Map<string, Intent>();
	/** How often this page has pressed a head that it left: a head takes a press that it has had for an old one. */
	readonly #pressCount = new Map<string, number>();
	/** When this page said last that it would drive a head: an answer takes a moment. */
	readonly #tookMs = new Map<string, number>();
	readonly #deal = new Deal();
	/** What was heard, and is drawn in a moment: holds go on with it at once. */
	#heardNewest: Readonly<Record<string, Newest>> = {};
	#heardHeads: Extract<FromDesk, { type: 'heads' }> | null = null;
	readonly #drawing = new Seldom(() =>
		flushSync(() => {
			this.newest = this.#heardNewest;
			if (this.#heardHeads === null) return;
			[this.heads, this.stoppedBy] = [this.#heardHeads.heads, this.#heardHeads.stoppedBy];
			this.#heardHeads = null;
			this.#letsOthers();
		})
	);
	#passedMs = -Infinity;

	/** Watches from now on; with `holds`, ready to hold. Gives what ends it. */
	begin(holds: boolean): () => void {
		this.#users += 1;
		this.#sockets.want(Math.max(this.#sockets.wanted, holds ? socketsOfHold : 1));
		this.#timer ??= setInterval(() => this.#tick(), leaseTimes.grantEveryMs / 2);
		const letGo = () => this.releaseAll();
		const hidden = () => document.visibilityState === 'hidden' && this.releaseAll();
		window.addEventListener('blur', letGo);
		// A page that its browser keeps frozen would keep its sockets, and what it drives, for nobody.
		const away = () => {
			this.giveAll();
			this.#sockets.pause();
			this.linked = false;
		};
		const back = ({ persisted }: PageTransitionEvent) => persisted && this.#sockets.resume();
		window.addEventListener('pagehide', away);
		window.addEventListener('pageshow', back);
		document.addEventListener('visibilitychange', hidden);
		return () => {
			window.removeEventListener('blur', letGo);
			window.removeEventListener('pagehide', away);
			window.removeEventListener('pageshow', back);
			document.removeEventListener('visibilitychange', hidden);
			this.#users -= 1;
			if (holds) {
				this.giveAll();
				this.#sockets.want(1);
			}
			if (this.#users > 0) return;
			clearInterval(this.#timer);
			this.#timer = undefined;
			this.#drawing.end();
			this.#sockets.want(0);
			this.linked = false;
		};
	}

	/** Where a stick is: with the next grants. */
	steer(head: string, rates: Readonly<Record<string, number>>): void {
		this.#deal.put({ type: 'stick', head, rates });
	}
	/** To the desk, by the first socket that is there. */
	say(message: FromPage): boolean {
		return this.#sockets.say(message);
	}

	#hear(message: FromDesk): void {
		const atMs = performance.now();
		switch (message.type) {
			case 'welcome':
				[this.linked, this.heard, this.page] = [true, true, message.page];
				if (this.stopOwed) this.stopOwed = !this.say({ type: 'stopAll' });
				this.#sockets.welcomed();
				// A link that came back knows nothing of what was taken over the last one.
				for (const head of Object.keys(this.holds)) this.take(head);
				break;
			case 'heads':
				this.#heardHeads = message;
				this.#drawing.soon();
				break;
			case 'heard': {
				// By another socket a newer one may have come before; one that is far older is of a head that began anew.
				const behindMs = (this.#heardNewest[message.head]?.headMs ?? 0) - message.headMs;
				if (behindMs > 0 && behindMs < anewMs) break;
				this.#heardNewest = { ...this.#heardNewest, [message.head]: { headMs: message.headMs, at: message.at } };
				this.#drawing.soon();
				this.#step(message.head, { kind: 'heard', atMs, headMs: message.headMs });
				this.#step(message.head, { kind: 'holds', atMs, epoch: message.epoch });
				break;
			}
			case 'offer':
				this.#step(message.head, { kind: 'offer', atMs, press: message.press, epoch: message.epoch });
				break;
			case 'refused':
				this.#step(message.head, { kind: 'refused', atMs, press: message.press, why: message.why });
				break;
			case 'claimed':
				this.claimed = message;
		}
	}

	#step(head: string, event: HoldEvent): void {
		const hold = this.#quiet.get(head);
		if (hold === undefined) return;
		const [after, effects] = holdStep(hold, event);
		this.#quiet.set(head, after);
		for (const effect of effects) {
			const { kind, socket, ...rest } = effect;
			const intent = kind === 'ask' ? { intent: this.#intents.get(head) } : {};
			const message = { type: kind, head, ...rest, ...intent } as FromPage;
			if (kind === 'grant' || kind === 'beat') {
				this.#deal.put(message);
				continue;
			}
			// Its own socket is not there: any other carries it.
			if (!this.#sockets.send(socket, message)) this.say(message);
		}
		if (after.phase !== hold.phase || after.why !== hold.why || after.press !== hold.press)
			this.holds = { ...this.holds, [head]: after };
	}
	#tick(): void {
		const atMs = performance.now();
		// All heads at one time: what is said of them goes as one word.
		if (atMs - this.#passedMs < leaseTimes.grantEveryMs) return;
		this.#passedMs = atMs;
		for (const head of this.#quiet.keys()) this.#step(head, { kind: 'tick', atMs });
		this.#deal.pass(this.#sockets.wanted, (slot, message) => this.#sockets.send(slot, message));
	}

	/** What a press on a head does now: what every screen says, and what goes with the press. */
	nextOf(head: HeadSeen | null) {
		return nextHold({ head, page: this.page, linked: this.linked, stoppedBy: this.stoppedBy });
	}
	/** A head that somebody else drives now is held by this page no more; one that it was given can be. */
	#letsOthers(): void {
		for (const head of [...this.#quiet.keys()]) {
			const seen = this.heads.find(({ id }) => id === head);
			const justNow = performance.now() - (this.#tookMs.get(head) ?? -Infinity) < tookMs;
			if (seen === undefined || this.drives(seen) || justNow) continue;
			this.release(head);
			this.#forget(head);
		}
		for (const head of this.heads) if (this.drives(head)) this.#mayHold(head.id);
	}
	#mayHold(head: string): void {
		if (this.#quiet.has(head)) return;
		const hold = { ...handOff(head), press: this.#pressCount.get(head) ?? 0 };
		this.#quiet.set(head, hold);
		this.holds = { ...this.holds, [head]: hold };
	}
	#forget(head: string): void {
		this.#pressCount.set(head, this.#quiet.get(head)?.press ?? 0);
		this.#quiet.delete(head);
		this.#intents.delete(head);
		this.holds = Object.fromEntries(Object.entries(this.holds).filter(([name]) => name !== head));
	}

	/** This page would drive it. */
	take(head: string, by: 'take' | 'lead' = 'take'): void {
		this.#mayHold(head);
		this.#tookMs.set(head, performance.now());
		this.say({ type: by, head });
	}
	give(head: string): void {
		this.release(head);
		this.#forget(head);
		this.say({ type: 'give', head });
	}
	giveAll(): void {
		for (const head of [...this.#quiet.keys()]) this.give(head);
	}
	/** For what the screen says now, and for nothing else; where that is nothing, nobody is asked. */
	press(head: string): void {
		const next = this.nextOf(this.heads.find(({ id }) => id === head) ?? null);
		const phase = this.#quiet.get(head)?.phase;
		if (next.does === 'nothing' || phase === 'asked' || phase === 'down') return;
		this.#intents.set(head, next);
		this.#step(head, { kind: 'press', atMs: performance.now() });
	}
	release(head: string): void {
		this.#step(head, { kind: 'release', atMs: performance.now() });
	}
	releaseAll(): void {
		for (const head of this.#quiet.keys()) this.release(head);
	}
	stopAll(): void {
		this.releaseAll();
		// A stop that nobody heard is owed, and said: it is not let pass for one that was.
		this.stopOwed = !this.say({ type: 'stopAll' });
	}
	/** Whether this page is the one that drives it. */
	drives(head: HeadSeen | null): boolean {
		return this.page !== '' && head?.driver?.page === this.page;
	}
}

export const deskWire = new DeskWire();
