/*
 * Messages as datagrams: Open Sound Control 1.0. The address is `/poise/head/<id>/<type>`; a signed message has its counter as first
 * argument and, last, a blob with the first 16 bytes of an HMAC-SHA-256 over everything before those bytes.
 */
import { createHmac, timingSafeEqual } from 'node:crypto';
import { decode, encode } from 'node-osc';
import { type Direction, forms, longestWord, mostEach, protocolVersion, type ToDesk, type ToHead } from './messages';

const tagBytes = 16;
const mostBytes = 1400;
const mostInt = 2 ** 31 - 1;

/** Everything both ends know that no datagram says: a datagram of another session, or the other way, has another tag. */
export interface Session {
	readonly key: Uint8Array;
	/** The word each end drew for it, as hex; empty where it is not known yet. */
	readonly head: string;
	readonly desk: string;
}
/** Before a session: what is signed by the key alone, or with the desk's word. */
export const greeting = (key: Uint8Array, desk = ''): Session => ({ key, head: '', desk });

export interface Heard<M> {
	readonly headId: string;
	/** 0: unsigned. */
	readonly counter: number;
	readonly message: M;
}
export type Unheard = 'malformed' | 'foreign' | 'unsigned';

function tagOf({ key, head, desk }: Session, direction: Direction, bytes: Uint8Array): Buffer {
	return createHmac('sha256', key)
		.update(`poise/${protocolVersion}/${direction}/${head}/${desk}/`)
		.update(bytes)
		.digest()
		.subarray(0, tagBytes);
}

type Loose = Readonly<Record<string, unknown>> & { readonly type: string };

/** A message as bytes: signed where a session is given. Throws for a message that is none. */
export function toBytes(
	direction: Direction,
	headId: string,
	message: ToHead | ToDesk,
	signing: { readonly session: Session; readonly counter: number } | null
): Buffer {
	const form = forms[direction][message.type];
	if (form === undefined) throw new Error(`toBytes: no message ${message.type}`);
	const loose = message as unknown as Loose;
	const typed = (kinds: Readonly<Record<string, string>>, values: Readonly<Record<string, unknown>>) =>
		Object.entries(kinds).map(([name, type]) => ({ type, value: checked(type, values[name], name) }));
	const args = [
		...(signing === null ? [] : [{ type: 'i', value: checked('i', signing.counter, 'counter') }]),
		...typed(form.args, loose),
		...(form.each === undefined
			? []
			: (loose.each as readonly Record<string, unknown>[])
					.slice(0, mostEach)
					.flatMap((each) => typed(form.each!, each)))
	];
	const address = `/poise/head/${headId}/${message.type}`;
	if (signing === null) return encode({ oscType: 'message', address, args });
	const bytes = encode({ oscType: 'message', address, args: [...args, { type: 'b', value: Buffer.alloc(tagBytes) }] });
	const body = bytes.subarray(0, bytes.length - tagBytes);
	return Buffer.concat([body, tagOf(signing.session, direction, body)]);
}

function checked(type: string, value: unknown, name: string): unknown {
	if (type === 'b') return Buffer.from(value as Uint8Array);
	if (type === 's') {
		if (typeof value !== 'string' || value.length > longestWord || value.includes('\0'))
			throw new Error(`toBytes: ${name} must be a short word`);
		return value;
	}
	if (typeof value !== 'number' || !Number.isFinite(value)) throw new Error(`toBytes: ${name} must be a number`);
	return type === 'i' ? Math.max(-mostInt, Math.min(mostInt, Math.round(value))) : value;
}

/** Whose it is, without believing it: the session to check it by is found by this. Null: no datagram of this protocol. */
export function addressOf(bytes: Uint8Array): { readonly headId: string; readonly type: string } | null {
	if (bytes.length > mostBytes || bytes.length % 4 !== 0) return null;
	const end = bytes.indexOf(0);
	const parts = /^\/poise\/head\/([\w-]{1,40})\/(\w{1,20})$/.exec(
		Buffer.from(bytes.subarray(0, Math.max(0, end))).toString('latin1')
	);
	return parts === null ? null : { headId: parts[1]!, type: parts[2]! };
}

export function fromBytes(direction: 'toHead', bytes: Uint8Array, session: Session | null): Heard<ToHead> | Unheard;
export function fromBytes(direction: 'toDesk', bytes: Uint8Array, session: Session | null): Heard<ToDesk> | Unheard;
export function fromBytes(
	direction: Direction,
	bytes: Uint8Array,
	session: Session | null
): Heard<ToHead | ToDesk> | Unheard {
	const address = addressOf(bytes);
	const form = address === null ? undefined : forms[direction][address.type];
	if (address === null || form === undefined) return 'malformed';
	const signed = form.unsigned !== true;
	if (signed) {
		if (session === null) return 'foreign';
		const [body, tag] = [bytes.subarray(0, bytes.length - tagBytes), bytes.subarray(bytes.length - tagBytes)];
		if (tag.length !== tagBytes || !timingSafeEqual(tagOf(session, direction, body), tag)) return 'foreign';
	}
	let values: unknown[];
	try {
		values = (decode(Buffer.from(bytes)) as { args: { value: unknown }[] }).args.map(({ value }) => value);
	} catch {
		return 'malformed';
	}
	if (signed) values = values.slice(0, -1);
	const counter = signed ? values.shift() : 0;
	if (typeof counter !== 'number' || !Number.isInteger(counter) || (signed && counter < 1)) return 'malformed';
	const message: Record<string, unknown> = { type: address.type };
	const fixed = Object.entries(form.args);
	for (const [name, kind] of fixed) {
		const value = values.shift();
		if (!isOf(kind, value)) return 'malformed';
		message[name] = value;
	}
	if (form.each !== undefined) {
		const names = Object.entries(form.each);
		if (values.length % names.length !== 0 || values.length > names.length * mostEach) return 'malformed';
		const each: Record<string, unknown>[] = [];
		while (values.length > 0) {
			const one: Record<string, unknown> = {};
			for (const [name, kind] of names) {
				const value = values.shift();
				if (!isOf(kind, value)) return 'malformed';
				one[name] = value;
			}
			each.push(one);
		}
		message.each = each;
	} else if (values.length > 0) return 'malformed';
	return { headId: address.headId, counter, message: message as unknown as ToHead | ToDesk };
}

function isOf(kind: string, value: unknown): boolean {
	if (kind === 's') return typeof value === 'string' && value.length <= longestWord;
	if (kind === 'b') return value instanceof Uint8Array && value.length <= 64;
	return typeof value === 'number' && Number.isFinite(value) && (kind === 'f' || Number.isInteger(value));
}
