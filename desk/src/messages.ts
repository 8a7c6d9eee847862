/*
 * What pages and the desk say to each other over WebSockets, as JSON: one file for both ends, with a version. A page that holds
 * keeps four sockets, told apart by their slot, and deals its grants among them.
 */
import { type WordFromPage, wayKinds } from '@poise/core';
import type { HeadSeen } from './headSeen';

export type { NextSeen, StandBy, TaskSeen } from '@poise/core';
export type { HeadSeen } from './headSeen';

export const pageProtocol = 4;

type Rates = Readonly<Record<string, number>>;
export type OfHead = WordFromPage & { readonly head: string };
export type FromPage =
	/** `secret` is drawn by the page and told to nobody else: by it its sockets are one page's. */
	| { readonly type: 'hello'; readonly v: number; readonly secret: string; readonly slot: number }
	/** For one head, by whoever drives it, or by anybody. */
	| OfHead
	| { readonly type: 'blink' | 'unclaim' | 'claim'; readonly head: string }
	| { readonly type: 'confirm'; readonly head: string; readonly code: string }
	| { readonly type: 'record'; readonly head: string; readonly on: boolean }
	| { readonly type: 'stopAll' | 'clear' }
	/** All that a page says in one moment. `count` tells older from newer, whichever socket was quicker. */
	| { readonly type: 'many'; readonly count: number; readonly said: readonly FromPage[] };

export type FromDesk =
	/** `page` is what everybody knows it by: nobody comes to its secret from that. */
	| { readonly type: 'welcome'; readonly v: number; readonly desk: string; readonly page: string }
	| {
			readonly type: 'heads';
			readonly heads: readonly HeadSeen[];
			readonly stoppedBy: string | null;
			readonly pages: number;
	  }
	/** The newest of one head, for whoever drives it: every state, at once. */
	| {
			readonly type: 'heard';
			readonly head: string;
			readonly headMs: number;
			readonly epoch: number | null;
			readonly at: Rates;
	  }
	| { readonly type: 'offer'; readonly head: string; readonly press: number; readonly epoch: number }
	| { readonly type: 'refused'; readonly head: string; readonly press: number; readonly why: string }
	| { readonly type: 'claimed'; readonly head: string; readonly ok: boolean; readonly words: string };

type Check = (value: unknown) => boolean;
const figure: Check = (value) => typeof value === 'number' && Number.isFinite(value) && Math.abs(value) < 1e12;
const whole: Check = (value) => Number.isSafeInteger(value);
const word: Check = (value) =>
	typeof value === 'string' && value.length > 0 && value.length <= 80 && !value.includes('\0');
const yes: Check = (value) => typeof value === 'boolean';
const orNull =
	(check: Check): Check =>
	(value) =>
		value === null || check(value);
const figures: Check = (value) =>
	typeof value === 'object' &&
	value !== null &&
	!Array.isArray(value) &&
	Object.entries(value).length <= 16 &&
	Object.entries(value).every(([name, each]) => word(name) && figure(each));
const listOf =
	(check: Check, most: number): Check =>
	(value) =>
		Array.isArray(value) && value.length > 0 && value.length <= most && value.every(check);
const shaped =
	(form: Readonly<Record<string, Check>>): Check =>
	(value) =>
		typeof value === 'object' &&
		value !== null &&
		Object.entries(form).every(([name, check]) => check((value as Record<string, unknown>)[name]));
const time: Check = (value) => figure(value) && (value as number) >= 0 && (value as number) <= 7200;
const leg: Check = (value) =>
	shaped({
		kind: (kind) => kind === 'pose',
		...{ name: word, to: figures, wantedS: orNull(time), restS: time }
	})(value) ||
	shaped({
		kind: (kind) => kind === 'keyed',
		...{ name: word, restS: time, ends: (ends) => ends === 'natural' || ends === 'still' },
		keys: listOf(shaped({ tS: time, values: figures }), 200)
	})(value);
const oneOf =
	(words: readonly string[]): Check =>
	(value) =>
		typeof value === 'string' && words.includes(value);
const intent: Check = (value) =>
	shaped({ does: (does) => does === 'steer' })(value) ||
	shaped({ does: oneOf(['go', 'ring', 'goOn', 'back']), id: word })(value);
const standBy: Check = (value) =>
	shaped({ kind: (kind) => kind === 'ring', id: word, ring: word })(value) ||
	shaped({ kind: oneOf(wayKinds), id: word, name: word, legs: listOf(leg, 200), laps: orNull(whole) })(value);
const head = { head: word };
const direction: Check = (value) => value === 1 || value === -1;

/** As long as nobody guesses. */
const leastSecret = 32;

const formsFromPage: Readonly<Record<FromPage['type'], Readonly<Record<string, Check>>>> = {
	hello: {
		v: whole,
		secret: (secret) => word(secret) && (secret as string).length >= leastSecret,
		slot: (slot) => whole(slot) && (slot as number) >= 0 && (slot as number) < 8
	},
	take: head,
	askFor: head,
	unask: head,
	lead: head,
	give: head,
	keep: head,
	drop: head,
	blink: head,
	claim: head,
	unclaim: head,
	confirm: { ...head, code: word },
	beat: { ...head, issuedAtMs: figure, echoMs: figure },
	ask: { ...head, press: whole, intent },
	grant: { ...head, epoch: whole, sequence: whole, issuedAtMs: figure, echoMs: figure },
	release: { ...head, epoch: whole },
	stick: { ...head, rates: figures },
	shape: { ...head, rampS: figure, trim: figure },
	standBy: { ...head, next: orNull(standBy) },
	watch: { ...head, id: word },
	pace: { ...head, pace: figure, direction },
	keepAdded: { ...head, keeps: yes },
	record: { ...head, on: yes },
	stopAll: {},
	clear: {},
	many: { count: whole, said: listOf((each) => isSaid(each) && (each as FromPage).type !== 'many', 64) }
};
function isSaid(value: unknown): value is FromPage {
	if (typeof value !== 'object' || value === null) return false;
	const { type } = value as { readonly type?: unknown };
	if (typeof type !== 'string' || !Object.hasOwn(formsFromPage, type)) return false;
	return shaped(formsFromPage[type as FromPage['type']])(value);
}
/** Longer is no message of a page. */
const longest = 60_000;

/** What a page said; null: nothing that anybody means. */
export function readFromPage(text: string): FromPage | null {
	if (text.length > longest) return null;
	let value: unknown;
	try {
		value = JSON.parse(text);
	} catch {
		return null;
	}
	return isSaid(value) ? value : null;
}
