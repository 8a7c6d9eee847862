/* eslint-disable max-lines -- one head: what it hears, does, says, and what somebody does to its box. */
import { type HeadEffect, type HeadEvent, type HeadMotion, headStep, linkOf, restingHead } from '@poise/core';
import {
	addressOf,
	blinksOf,
	type Counters,
	freshKeyPair,
	fromBytes,
	hear,
	type KeyPair,
	noneHeard,
	protocolVersion,
	type Session,
	sharedKey,
	toBytes,
	type ToDesk,
	type ToHead
} from '@poise/link';
import { badLink, type LinkFault, soundLink } from './badLink';
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

/** One simulated head: its power, its key, its session and its motion. It lives as long as its process. */
export class SimHead {
	readonly spec: HeadSpec;
	readonly #pattern: Pattern;
	readonly #out: (bytes: Buffer) => void;
	readonly #keep: (flash: Flash) => void;
	readonly #random: () => number;
	readonly #obeyed: (message: ToHead) => void;
	#pair: KeyPair = freshKeyPair();
	#key: Uint8Array | null;
	#powered = true;
	#bootedAtMs = 0;
	#bootMs = 0;
	#deskBootMs = 0;
	#heard: Counters = noneHeard;
	#counter = 0;
	#ignored = 0;
	#motion: HeadMotion;
	#lastHolder = '';
	#blinksUntilMs = 0;
	#batteryPart = 1;
	#nowMs = 0;
	#saidMs = -Infinity;
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
		this.#key = flash.key === null ? null : Buffer.from(flash.key, 'hex');
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
		this.#bootMs = Math.floor(this.#random() * 2 ** 30) + 1;
		this.#deskBootMs = 0;
		this.#heard = noneHeard;
		this.#counter = 0;
		this.#motion = this.#resting(this.#motion);
		this.#announcedMs = -Infinity;
	}

	/** The head's own time, ms since it was switched on. */
	get #headMs(): number {
		return (this.#nowMs - this.#bootedAtMs) * (1 - this.#slowClock);
	}
	get #session(): Session | null {
		return this.#key === null ? null : { key: this.#key, headBootMs: this.#bootMs, deskBootMs: this.#deskBootMs };
	}

	tick(nowMs: number): void {
		const goneS = Math.max(0, nowMs - this.#nowMs) / 1000;
		this.#nowMs = nowMs;
		if (!this.#powered) return;
		this.#batteryPart = Math.max(0, this.#batteryPart - goneS / (3600 * batteryHours));
		this.#take({ kind: 'tick', atMs: this.#headMs });
		if (nowMs - this.#announcedMs >= 1000) this.#announce();
		if (this.#session !== null && this.#deskBootMs > 0 && nowMs - this.#saidMs >= 20) this.#say();
	}

	receive(bytes: Uint8Array): void {
		if (this.#powered) this.#link(() => this.#powered && this.#heed(bytes));
	}

	#heed(bytes: Uint8Array): void {
		const address = addressOf(bytes);
		const session = this.#session;
		// A desk that begins is believed by a session of its own: it cannot know ours yet.
		const asked = address?.type === 'hello' && session !== null ? { ...session, deskBootMs: 0 } : session;
		const heard = fromBytes('toHead', bytes, asked);
		if (typeof heard === 'string') return void (this.#ignored += 1);
		const { message, counter } = heard;
		if (message.type === 'claim') return this.#claimed(message.publicKey);
		if (message.type === 'hello') {
			// An older desk than the one that was heard is a recording of it.
			if (message.bootMs <= this.#deskBootMs) return void (this.#ignored += message.bootMs < this.#deskBootMs ? 1 : 0);
			this.#deskBootMs = message.bootMs;
			this.#heard = noneHeard;
			this.#counter = 0;
			return this.#take({ kind: 'anew', atMs: this.#headMs });
		}
		if (this.#deskBootMs === 0) return void (this.#ignored += 1);
		const counters = hear(this.#heard, counter);
		if (counters === null) return void (this.#ignored += 1);
		this.#heard = counters;
		this.#obey(message);
	}

	#obey(message: Exclude<ToHead, { type: 'claim' | 'hello' }>): void {
		this.#obeyed(message);
		const atMs = this.#headMs;
		const places = (each: readonly { readonly axis: string; readonly at: number }[]) =>
			Object.fromEntries(each.map(({ axis, at }) => [axis, this.#from(axis) + this.#span(axis) * at]));
		const speeds = (each: readonly { readonly axis: string; readonly rate: number }[]) =>
			Object.fromEntries(each.map(({ axis, rate }) => [axis, this.#span(axis) * rate]));
		switch (message.type) {
			case 'unclaim':
				this.#key = null;
				this.#pair = freshKeyPair();
				this.#keep({ key: null });
				return this.#take({ kind: 'fault', atMs });
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

	#claimed(theirPublic: Uint8Array): void {
		if (this.#key !== null) return void (this.#ignored += 1);
		try {
			this.#key = sharedKey(this.#pair, theirPublic, this.spec.id);
		} catch {
			return void (this.#ignored += 1);
		}
		this.#keep({ key: Buffer.from(this.#key).toString('hex') });
		this.#blinksUntilMs = this.#nowMs + blinkMs * blinksOf(this.#key);
		this.#announce();
	}

	#take(event: HeadEvent): void {
		const [after, effects] = headStep(this.#motion, event, this.#stuck);
		this.#motion = after;
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
	#announce(): void {
		this.#announcedMs = this.#nowMs;
		const bytes = toBytes(
			'toDesk',
			this.spec.id,
			{
				...{ type: 'announce', version: protocolVersion, name: this.spec.name, kind: this.spec.pattern },
				...{ claimed: this.#key === null ? 0 : 1, bootMs: this.#bootMs, publicKey: this.#pair.publicKey },
				each: Object.entries(this.#pattern.axes).map(([axis, { range, maxRate, maxAccel }]) => {
					const ring = this.#pattern.rings.includes(axis);
					const [from, to] = ring ? [0, 1] : range;
					return { axis, from, to, maxRate, maxAccel, ring: ring ? 1 : 0 };
				})
			},
			null
		);
		this.#link(() => this.#powered && this.#out(bytes));
	}

	#say(): void {
		this.#saidMs = this.#nowMs;
		const { lease, axes, rings, stuckAxis, recording } = this.#motion;
		const linkHolder = lease.holder ?? this.#lastHolder;
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
				// Of a ring it says how far between its ends, once it knows them.
				return ends === null || ends === undefined
					? { axis, at: 0, rate: 0, ready: 0 }
					: { axis, at: (position - range[0]) / (range[1] - range[0]), rate: rate / (range[1] - range[0]), ready: 1 };
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
			this.#key = null;
			this.#pair = freshKeyPair();
			this.#deskBootMs = 0;
			this.#keep({ key: null });
			this.#take({ kind: 'fault', atMs: this.#headMs });
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
		if (command.stuck === null) this.#stuck = [];
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
		return {
			...this.spec,
			words: this.#pattern.words,
			powered: this.#powered,
			claimed: this.#key !== null,
			blinks: this.#key === null ? null : blinksOf(this.#key),
			blinking: this.#powered && blinks,
			lit: this.#powered && blinks && ((this.#blinksUntilMs - this.#nowMs) / blinkMs) % 1 > 0.5,
			recording: this.#powered && recording,
			phase: this.#powered ? lease.phase : 'off',
			holder: lease.holder,
			stoppedBy: lease.stoppedBy,
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
