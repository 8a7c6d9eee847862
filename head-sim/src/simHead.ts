/* eslint-disable max-lines -- one head: what it hears, does, says, and what somebody does to its box. */
import { type HeadEffect, type HeadEvent, type HeadMotion, headStep, linkOf, restingHead } from '@poise/core';
import {
	addressOf,
	challengeOf,
	codeOf,
	type Counters,
	freshNonce,
	fromBytes,
	greeting,
	hear,
	noneHeard,
	protocolVersion,
	type Session,
	toBytes,
	type ToDesk,
	type ToHead
} from '@poise/link';
import { badLink, type LinkFault, soundLink } from './badLink';
import { type ClaimEvent, claimStep, type Owner, speakingKey } from './claims';
import { type Pattern, patterns } from './patterns';

export interface HeadSpec {
	/** Printed on the box. */
	readonly id: string;
	readonly name: string;
	readonly pattern: string;
}
/** What a head keeps without power. */
export interface Flash {
	readonly key: string | null;
}
const batteryHours = 6;
const blinkMs = 600;
/** Words of desks that may still begin a session: a recording of an older one takes no newer one's place. */
const mostGreeted = 8;
const hex = (bytes: Uint8Array): string => Buffer.from(bytes).toString('hex');

/** Down to the one end, then up to the other. */
const searched = (looking: 'low' | 'high' | null, way: number): number =>
	looking === null ? 0 : looking === 'low' ? (1 - way) / 2 : (1 + way) / 2;

/** One simulated head: its power, its key, its session and its motion. It lives as long as its process. */
export class SimHead {
	readonly spec: HeadSpec;
	readonly #pattern: Pattern;
	readonly #out: (bytes: Buffer) => void;
	readonly #keep: (flash: Flash) => void;
	readonly #random: () => number;
	readonly #obeyed: (message: ToHead) => void;
	#owner: Owner;
	#powered = true;
	#bootedAtMs = 0;
	/** Drawn anew whenever it has power: no session outlives that. */
	#secret: Uint8Array = freshNonce();
	#sessions = 0;
	#greeted: readonly Uint8Array[] = [];
	#session: Session | null = null;
	#heard: Counters = noneHeard;
	#counter = 0;
	#ignored = 0;
	#motion: HeadMotion;
	#lastHolder = '';
	#blinksUntilMs = 0;
	#batteryPart = 1;
	#nowMs = 0;
	/** By its own clock: how long the last tick was, when the last grant counted, and how the last hold ended. */
	#tickMs = 0;
	#grantedMs = 0;
	#braked: { readonly afterGrantMs: number; readonly tickMs: number } | null = null;
	#saidMs = -Infinity;
	#states = 0;
	#announcedMs = -Infinity;
	#fault: LinkFault = soundLink;
	#stuck: readonly string[] = [];
	#driftPerS = 0;
	#slowClock = 0;
	readonly #link: (run: () => void) => void;

	constructor(
		spec: HeadSpec,
		flash: Flash,
		{
			out,
			keep,
			random = Math.random,
			obeyed = () => {}
		}: {
			readonly out: (bytes: Buffer) => void;
			readonly keep: (flash: Flash) => void;
			readonly random?: () => number;
			/** Told what it was asked, for whoever measures. */
			readonly obeyed?: (message: ToHead) => void;
		}
	) {
		const pattern = patterns[spec.pattern];
		if (pattern === undefined) throw new Error(`A head's pattern is one of ${Object.keys(patterns).join(', ')}.`);
		this.spec = spec;
		this.#pattern = pattern;
		this.#out = out;
		this.#keep = keep;
		this.#random = random;
		this.#obeyed = obeyed;
		this.#owner = { key: flash.key === null ? null : Buffer.from(flash.key, 'hex'), claim: null };
		this.#motion = this.#resting(null);
		this.#link = badLink(() => this.#fault, random);
		this.#boot();
	}

	/** Where it stood it stands: brakes hold without power. Its rings' ends are forgotten. */
	#resting(before: HeadMotion | null): HeadMotion {
		const middle = (name: string, [from, to]: readonly [number, number]) =>
			before?.axes[name]?.position ??
			(this.#pattern.rings.includes(name) ? (from + 2 * to) / 3 : Math.max(from, Math.min(to, 0)));
		return restingHead({
			axes: Object.fromEntries(
				Object.entries(this.#pattern.axes).map(([name, axis]) => [
					name,
					{ ...axis, position: middle(name, axis.range), rate: 0 }
				])
			),
			rings: this.#pattern.rings,
			watched: false
		});
	}
	#boot(): void {
		this.#bootedAtMs = this.#nowMs;
		[this.#secret, this.#sessions, this.#greeted] = [freshNonce(), 0, []];
		this.#session = null;
		this.#own({ kind: 'power' });
		this.#motion = this.#resting(this.#motion);
		this.#announcedMs = -Infinity;
	}

	/** The head's own time, ms since it was switched on. */
	get #headMs(): number {
		return (this.#nowMs - this.#bootedAtMs) * (1 - this.#slowClock);
	}

	tick(nowMs: number): void {
		const goneS = Math.max(0, nowMs - this.#nowMs) / 1000;
		this.#tickMs = Math.max(0, nowMs - this.#nowMs);
		this.#nowMs = nowMs;
		if (!this.#powered) return;
		this.#batteryPart = Math.max(0, this.#batteryPart - goneS / (3600 * batteryHours));
		this.#take({ kind: 'tick', atMs: this.#headMs });
		this.#own({ kind: 'tick', atMs: nowMs });
		if (nowMs - this.#announcedMs >= 1000) this.#announce();
		if (this.#session !== null && nowMs - this.#saidMs >= 20) this.#say();
	}

	receive(bytes: Uint8Array): void {
		if (this.#powered) this.#link(() => this.#powered && this.#heed(bytes));
	}

	#heed(bytes: Uint8Array): void {
		const type = addressOf(bytes)?.type;
		if (type === 'claim' || type === 'reveal') {
			const heard = fromBytes('toHead', bytes, null);
			if (typeof heard === 'string') return this.#ignore();
			const { message } = heard;
			if (message.type === 'claim') return this.#own({ kind: 'claim', commit: message.commit, atMs: this.#nowMs });
			if (message.type === 'reveal') return this.#own({ kind: 'reveal', desk: message, headId: this.spec.id });
			return this.#ignore();
		}
		const key = speakingKey(this.#owner);
		if (key === null) return this.#ignore();
		if (type === 'hello') return this.#hello(bytes, key);
		if (type === 'begin') return this.#begin(bytes, key);
		const heard = this.#session === null ? 'foreign' : fromBytes('toHead', bytes, this.#session);
		const counters = typeof heard === 'string' ? null : hear(this.#heard, heard.counter);
		if (typeof heard === 'string' || counters === null) return this.#ignore();
		this.#heard = counters;
		const { message } = heard;
		if (message.type === 'claim' || message.type === 'reveal' || message.type === 'hello' || message.type === 'begin')
			return this.#ignore();
		this.#obey(message);
	}
	#ignore(): void {
		this.#ignored += 1;
	}

	/** A desk that has the key would speak with it: it is given a word, and nothing is changed by asking. */
	#hello(bytes: Uint8Array, key: Uint8Array): void {
		const heard = fromBytes('toHead', bytes, greeting(key));
		if (typeof heard === 'string' || heard.message.type !== 'hello') return this.#ignore();
		const { desk } = heard.message;
		this.#greeted = [...this.#greeted.filter((each) => hex(each) !== hex(desk)), desk].slice(-mostGreeted);
		const session = greeting(key, hex(desk));
		const message: ToDesk = { type: 'challenge', head: challengeOf(this.#secret, desk, this.#sessions) };
		const answer = toBytes('toDesk', this.spec.id, message, { session, counter: 1 });
		this.#link(() => this.#powered && this.#out(answer));
	}
	/** Whoever answers its word has the key now, not once: from here on it is this session's, and whoever held holds no more. */
	#begin(bytes: Uint8Array, key: Uint8Array): void {
		const session = this.#greeted
			.map((desk): Session => ({ key, head: hex(challengeOf(this.#secret, desk, this.#sessions)), desk: hex(desk) }))
			.find((each) => typeof fromBytes('toHead', bytes, each) !== 'string');
		if (session === undefined) return this.#ignore();
		this.#own({ kind: 'begun', key });
		this.#session = session;
		[this.#sessions, this.#greeted, this.#heard, this.#counter] = [this.#sessions + 1, [], noneHeard, 0];
		this.#take({ kind: 'anew', atMs: this.#headMs });
		this.#announce();
	}

	#obey(message: Exclude<ToHead, { type: 'claim' | 'reveal' | 'hello' | 'begin' }>): void {
		this.#obeyed(message);
		const atMs = this.#headMs;
		const places = (each: readonly { readonly axis: string; readonly at: number }[]) =>
			Object.fromEntries(each.map(({ axis, at }) => [axis, this.#from(axis) + this.#span(axis) * at]));
		const speeds = (each: readonly { readonly axis: string; readonly rate: number }[]) =>
			Object.fromEntries(each.map(({ axis, rate }) => [axis, this.#span(axis) * rate]));
		switch (message.type) {
			case 'unclaim':
				return this.#forget();
			case 'beat':
				if (message.holder !== 'desk') this.#lastHolder = message.holder;
				return this.#take({ ...message, kind: 'beat', atMs });
			case 'ask':
				return this.#take({
					...{ kind: 'ask', atMs, holder: message.holder, press: message.press },
					by: message.by === 'watch' ? 'watch' : 'hand',
					epoch: 1 + Math.floor(this.#random() * (2 ** 31 - 2))
				});
			case 'grant':
				return this.#take({ ...message, kind: 'grant', atMs });
			case 'release':
				return this.#take({ ...message, kind: 'release', atMs });
			case 'drive':
				return this.#take({ ...message, kind: 'drive', atMs, rates: speeds(message.each) });
			case 'follow':
				return this.#take({
					...{ ...message, kind: 'follow', atMs },
					...{ at: places(message.each), rates: speeds(message.each) }
				});
			case 'home':
				return this.#take({ ...message, kind: 'home', atMs });
			case 'record':
				return this.#take({ kind: 'record', atMs, on: message.on !== 0 });
			case 'stop':
				return this.#take({ kind: 'stopAll', atMs, by: message.by === '' ? 'somebody' : message.by });
			case 'clear':
				return this.#take({ kind: 'clear', atMs, by: message.by });
			case 'blink':
				this.#blinksUntilMs = this.#nowMs + blinkMs * Math.max(1, Math.min(20, message.times));
				return;
			case 'limits':
				return this.#limit(message);
		}
	}

	/** A ring is spoken of as a share between its ends, everything else as it is. */
	#span(axis: string): number {
		const [from, to] = this.#pattern.rings.includes(axis) ? this.#pattern.axes[axis]!.range : [0, 1];
		return to - from;
	}
	#from(axis: string): number {
		return this.#pattern.rings.includes(axis) ? this.#pattern.axes[axis]!.range[0] : 0;
	}

	/** Only ever within its own: what a desk says can make it slower and shorter, not faster and longer. */
	#limit({ watched, each }: Extract<ToHead, { type: 'limits' }>): void {
		if (this.#motion.lease.phase === 'armed') return;
		const axes = Object.fromEntries(
			Object.entries(this.#motion.axes).map(([name, axis]) => {
				const own = this.#pattern.axes[name]!;
				const wanted = each.find((one) => one.axis === name);
				if (wanted === undefined || this.#pattern.rings.includes(name)) return [name, axis];
				const from = Math.max(own.range[0], Math.min(own.range[1], wanted.from));
				const to = Math.min(own.range[1], Math.max(from, wanted.to));
				const within = (value: number, most: number) => (value > 0 ? Math.min(most, value) : most);
				return [
					name,
					{
						...axis,
						range: [from, to] as const,
						maxRate: within(wanted.maxRate, own.maxRate),
						maxAccel: within(wanted.maxAccel, own.maxAccel)
					}
				];
			})
		);
		this.#motion = { ...this.#motion, axes, lease: { ...this.#motion.lease, watched: watched !== 0 } };
	}

	/** Whose it is, by its own machine. */
	#own(event: ClaimEvent): void {
		const [owner, effects] = claimStep(this.#owner, event);
		this.#owner = owner;
		for (const effect of effects) {
			if (effect.kind === 'say') this.#sayUnsigned(effect.message);
			else if (effect.kind === 'ignored') this.#ignore();
			else this.#keep({ key: effect.key === null ? null : hex(effect.key) });
		}
	}
	/** Nobody's again. */
	#forget(): void {
		[this.#session, this.#greeted] = [null, []];
		this.#own({ kind: 'unclaim' });
		this.#take({ kind: 'anew', atMs: this.#headMs });
	}

	#take(event: HeadEvent): void {
		const { lease: before } = this.#motion;
		const [after, effects] = headStep(this.#motion, event, this.#stuck);
		this.#motion = after;
		const { lease } = after;
		if (event.kind === 'grant' && lease.deadlineMs !== before.deadlineMs) this.#grantedMs = event.atMs;
		if (before.phase === 'armed' && lease.phase !== 'armed')
			this.#braked = { afterGrantMs: event.atMs - this.#grantedMs, tickMs: this.#tickMs };
		for (const effect of effects) this.#answer(effect);
	}
	#answer(effect: HeadEffect): void {
		if (effect.kind !== 'offer' && effect.kind !== 'refuse') return;
		const { holder, press } = effect;
		this.#send(
			effect.kind === 'offer'
				? { type: 'offer', holder, press, epoch: effect.epoch }
				: { type: 'refuse', holder, press, why: effect.why }
		);
	}

	#send(message: ToDesk): void {
		const session = this.#session;
		if (session === null) return;
		this.#counter += 1;
		const bytes = toBytes('toDesk', this.spec.id, message, { session, counter: this.#counter });
		this.#link(() => this.#powered && this.#out(bytes));
	}
	#sayUnsigned(message: ToDesk): void {
		const bytes = toBytes('toDesk', this.spec.id, message, null);
		this.#link(() => this.#powered && this.#out(bytes));
	}
	/** To everybody who listens, and, in a session, to its desk with proof. */
	#announce(): void {
		this.#announcedMs = this.#nowMs;
		const of = {
			...{ name: this.spec.name, kind: this.spec.pattern },
			each: Object.entries(this.#pattern.axes).map(([axis, { range, maxRate, maxAccel }]) => {
				const ring = this.#pattern.rings.includes(axis);
				const [from, to] = ring ? [0, 1] : range;
				return { axis, from, to, maxRate, maxAccel, ring: ring ? 1 : 0 };
			})
		};
		this.#sayUnsigned({ type: 'announce', version: protocolVersion, claimed: this.#owner.key === null ? 0 : 1, ...of });
		this.#send({ type: 'about', ...of });
	}

	#say(): void {
		this.#saidMs = this.#nowMs;
		const { lease, axes, rings, stuckAxis, recording } = this.#motion;
		// Every fifth time of the desk's own link, by which it may watch.
		this.#states += 1;
		const linkHolder = this.#states % 5 === 0 ? 'desk' : (lease.holder ?? this.#lastHolder);
		const { samples, leastTripMs } = linkOf(lease, linkHolder);
		const ignored = this.#ignored + Object.values(lease.ignored).reduce((sum, each) => sum + each, 0);
		const drifted = (this.#driftPerS * this.#headMs) / 1000;
		this.#send({
			...{
				type: 'state',
				headMs: this.#headMs,
				phase: lease.phase,
				holder: lease.holder ?? '',
				epoch: lease.epoch ?? 0
			},
			...{ heldSinceMs: lease.heldSinceMs, stoppedBy: lease.stoppedBy ?? '', stuckAxis: stuckAxis ?? '' },
			...{ recording: recording ? 1 : 0, batteryPart: this.#batteryPart, ignored: Math.min(1e9, ignored) },
			...{ linkHolder, linkSamples: samples, linkTripMs: Math.min(1e6, leastTripMs) },
			each: Object.entries(axes).map(([axis, { position, rate, range }]) => {
				const ends = rings[axis]?.ends;
				if (rings[axis] === undefined)
					return { axis, at: position + (axis === 'panRad' ? drifted : 0), rate, ready: 1 };
				const way = (position - range[0]) / (range[1] - range[0]);
				// Of a ring it says how far between its ends, once it knows them; until then how much of the search is done.
				return ends === null || ends === undefined
					? { axis, at: searched(rings[axis].looking, way), rate: 0, ready: 0 }
					: { axis, at: way, rate: rate / (range[1] - range[0]), ready: 1 };
			})
		});
	}

	/** What somebody does to the box, or to its cable. */
	handle(command: Partial<Readonly<Record<string, unknown>>>): void {
		const figure = (value: unknown, least: number, most: number) =>
			typeof value === 'number' && Number.isFinite(value) ? Math.min(most, Math.max(least, value)) : null;
		if (command.powered === false) this.#powered = false;
		if (command.powered === true && !this.#powered) {
			this.#powered = true;
			this.#boot();
		}
		if (command.forget === true) {
			this.#forget();
		}
		if (typeof command.link === 'object' && command.link !== null) {
			const asked = command.link as Readonly<Record<string, unknown>>;
			this.#fault = {
				delayMs: figure(asked.delayMs, 0, 2000) ?? 0,
				jitterMs: figure(asked.jitterMs, 0, 2000) ?? 0,
				lossPart: figure(asked.lossPart, 0, 1) ?? 0,
				burst: figure(asked.burst, 1, 100) ?? 1,
				duplicatePart: figure(asked.duplicatePart, 0, 1) ?? 0
			};
		}
		if (command.stuck === null) {
			// Whoever freed it has turned it by hand: it feels that.
			this.#stuck = [];
			this.#motion = { ...this.#motion, stuckAxis: null, behindSinceMs: {} };
		}
		if (typeof command.stuck === 'string' && Object.hasOwn(this.#pattern.axes, command.stuck))
			this.#stuck = [command.stuck];
		this.#driftPerS = figure(command.driftPerS, -1, 1) ?? this.#driftPerS;
		this.#slowClock = figure(command.slowClock, -0.1, 0.1) ?? this.#slowClock;
		this.#batteryPart = figure(command.batteryPart, 0, 1) ?? this.#batteryPart;
	}

	/** What somebody sees who stands before it. */
	face() {
		const { lease, axes, recording, stuckAxis, rings } = this.#motion;
		const blinks = this.#nowMs < this.#blinksUntilMs;
		const key = this.#powered ? (this.#owner.claim?.key ?? null) : null;
		return {
			...this.spec,
			words: this.#pattern.words,
			powered: this.#powered,
			claimed: this.#owner.key !== null,
			/** While it is claimed: what it shows, and blinks digit after digit. */
			code: key === null ? null : codeOf(key),
			blinking: this.#powered && (blinks || key !== null),
			lit: this.#powered && blinks && ((this.#blinksUntilMs - this.#nowMs) / blinkMs) % 1 > 0.5,
			recording: this.#powered && recording,
			phase: this.#powered ? lease.phase : 'off',
			holder: lease.holder,
			stoppedBy: lease.stoppedBy,
			braked: this.#braked,
			stuckAxis,
			stuck: this.#stuck[0] ?? null,
			link: this.#fault,
			driftPerS: this.#driftPerS,
			slowClock: this.#slowClock,
			batteryPart: this.#batteryPart,
			homed: Object.entries(rings).flatMap(([ring, { ends }]) => (ends === null ? [] : [ring])),
			axes: Object.fromEntries(
				Object.entries(axes).map(([name, { position, rate, range }]) => [
					name,
					{ position, rate: this.#powered ? rate : 0, range: this.#pattern.axes[name]!.range, soft: range }
				])
			)
		};
	}
}
