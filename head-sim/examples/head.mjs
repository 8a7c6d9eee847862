#!/usr/bin/env node
/* eslint-disable max-lines -- one file on purpose: to be copied whole. */
/*
 * A head that speaks Poise's protocol, in plain Node: two axes, its own lease, its own brakes. docs/heads.md says what it does and why.
 *
 *   node head-sim/examples/head.mjs --desk 127.0.0.1:7010 --id my-head --name "My head"
 *
 * Replace `motors` with what drives yours. Everything that keeps people safe is here and not at the desk: a desk that is wrong, late or
 * gone moves nothing.
 */
import {
	createHash,
	createHmac,
	createPublicKey,
	diffieHellman,
	generateKeyPairSync,
	hkdfSync,
	randomInt,
	timingSafeEqual
} from 'node:crypto';
import { createSocket } from 'node:dgram';
import { parseArgs } from 'node:util';
import { decode, encode } from 'node-osc';

const { values: options } = parseArgs({
	options: {
		desk: { type: 'string', default: '127.0.0.1:7010' },
		id: { type: 'string', default: 'my-head' },
		name: { type: 'string', default: 'My head' }
	}
});
const [host, port] = options.desk.split(':');

// What it is: soft ends, greatest speed and acceleration of each axis, radians.
const axes = {
	panRad: { from: -2, to: 2, maxRate: 1, maxAccel: 2, at: 0, rate: 0 },
	tiltRad: { from: -0.7, to: 0.7, maxRate: 0.8, maxAccel: 2, at: 0, rate: 0 }
};
/** Moves an axis for a moment at a speed. Here it only counts. */
const motors = (axis, dtS) => {
	const a = axes[axis];
	a.at = Math.min(a.to, Math.max(a.from, a.at + a.rate * dtS));
};

// Its own clock: milliseconds since it has power.
const begun = performance.now();
const nowMs = () => Math.floor(performance.now() - begun);
const bootMs = randomInt(1, 2 ** 30);

// Keys. A head keeps `key` where power cannot take it; this one forgets it.
const pair = generateKeyPairSync('x25519');
const publicKey = pair.publicKey.export({ format: 'der', type: 'spki' }).subarray(-32);
let key = null;
let deskBootMs = 0;
let counterOut = 0;
let highest = 0;
let heard = new Set();
let blinks = 0;

const tagOf = (direction, desk, body) =>
	createHmac('sha256', key).update(`poise/1/${direction}/${bootMs}/${desk}/`).update(body).digest().subarray(0, 16);
const socket = createSocket('udp4');
/** A message: its kinds as letters, one a value, and its values. */
function send(type, kinds, values, signed = true) {
	if (signed && key === null) return;
	const address = `/poise/head/${options.id}/${type}`;
	const typed = (letters, list) =>
		list.map((value, k) => ({ type: letters[k], value: letters[k] === 'i' ? Math.round(value) : value }));
	if (!signed)
		return socket.send(encode({ oscType: 'message', address, args: typed(kinds, values) }), Number(port), host);
	counterOut += 1;
	const args = typed(`i${kinds}b`, [counterOut, ...values, Buffer.alloc(16)]);
	const body = encode({ oscType: 'message', address, args }).subarray(0, -16);
	socket.send(Buffer.concat([body, tagOf('toDesk', deskBootMs, body)]), Number(port), host);
}

// The lease.
const goodMs = 140;
const lease = {
	phase: 'rest',
	holder: '',
	epoch: 0,
	sequence: 0,
	untilMs: 0,
	offeredMs: 0,
	heldMs: 0,
	stoppedBy: ''
};
/** Of each holder: the least arrival − issue and the least there and back, second by second, of the last ten. */
const links = new Map();
function note(holder, issuedMs, echoMs) {
	const second = Math.floor(nowMs() / 1000);
	const list = (links.get(holder) ?? []).filter((each) => each.second > second - 10);
	let bucket = list.find((each) => each.second === second);
	if (bucket === undefined) list.push((bucket = { second, offset: Infinity, trip: Infinity, samples: 0 }));
	bucket.offset = Math.min(bucket.offset, nowMs() - issuedMs);
	if (echoMs <= nowMs()) bucket.trip = Math.min(bucket.trip, nowMs() - echoMs);
	bucket.samples += 1;
	if (links.size > 32 && !links.has(holder)) links.clear();
	links.set(holder, list);
}
const linkOf = (holder) => {
	const list = links.get(holder) ?? [];
	return {
		samples: list.reduce((sum, { samples }) => sum + samples, 0),
		offset: Math.min(Infinity, ...list.map(({ offset }) => offset)),
		trip: Math.min(Infinity, ...list.map(({ trip }) => trip))
	};
};
/** Of each page its newest press, and whether it was answered with an epoch. */
const presses = new Map();
const rest = (phase) => Object.assign(lease, { phase, holder: '', epoch: 0, sequence: 0 });
const wanted = { atMs: -Infinity, sequence: 0, rates: {}, place: null };

const does = {
	beat: ([holder, issued, echo]) => note(holder, issued, echo),
	ask([holder, press, by]) {
		// The same press asking again has the same answer: one of the two was lost. What is over ends no newer press.
		const newest = presses.get(holder) ?? { press: 0, offered: false };
		if (press === newest.press && holder === lease.holder && lease.phase === 'offered')
			return send('offer', 'sii', [holder, press, lease.epoch]);
		if (press < newest.press || (press === newest.press && newest.offered)) return;
		const { samples, trip } = linkOf(holder);
		const busy = (lease.phase === 'armed' || lease.phase === 'offered') && lease.holder !== holder;
		const slow = samples < 20 ? 'linkUnknown' : trip > 100 ? 'linkSlow' : null;
		const why = lease.stoppedBy ? 'stopAll' : by === 'watch' ? 'watchNotAllowed' : busy ? 'held' : slow;
		if (presses.size > 32 && !presses.has(holder)) presses.clear();
		presses.set(holder, { press, offered: why === null });
		if (why !== null) return send('refuse', 'sis', [holder, press, why]);
		Object.assign(lease, {
			phase: 'offered',
			holder,
			epoch: randomInt(1, 2 ** 31 - 1),
			sequence: 0,
			offeredMs: nowMs()
		});
		wanted.sequence = 0;
		send('offer', 'sii', [holder, press, lease.epoch]);
	},
	grant([holder, epoch, sequence, issued, echo]) {
		if ((lease.phase !== 'armed' && lease.phase !== 'offered') || holder !== lease.holder || epoch !== lease.epoch)
			return;
		if (sequence <= lease.sequence) return;
		note(holder, issued, echo);
		// Good from when it was issued; and only from a page that hears this head.
		const untilMs = Math.min(issued + linkOf(holder).offset + goodMs, echo + 400);
		if (echo > nowMs() || untilMs <= nowMs()) return;
		if (lease.phase === 'offered') Object.assign(lease, { phase: 'armed', untilMs, heldMs: nowMs() });
		lease.sequence = sequence;
		lease.untilMs = Math.max(lease.untilMs, untilMs);
	},
	release([holder, epoch]) {
		if (holder === lease.holder && epoch === lease.epoch) rest(lease.phase === 'armed' ? 'stopping' : 'rest');
	},
	stop([by]) {
		lease.stoppedBy ||= by || 'somebody';
		if (lease.phase !== 'rest') rest('stopping');
	},
	clear([by]) {
		if (by !== '') lease.stoppedBy = '';
	},
	drive([epoch, sequence, ...pairs]) {
		if (lease.phase !== 'armed' || epoch !== lease.epoch || sequence <= wanted.sequence) return;
		const rates = {};
		for (let k = 0; k < pairs.length; k += 2) rates[pairs[k]] = pairs[k + 1];
		Object.assign(wanted, { atMs: nowMs(), sequence, rates, place: null });
	},
	follow([epoch, sequence, dueMs, _pace, ...triples]) {
		if (lease.phase !== 'armed' || epoch !== lease.epoch || sequence <= wanted.sequence) return;
		const place = { dueMs, at: {}, rates: {} };
		for (let k = 0; k < triples.length; k += 3) {
			place.at[triples[k]] = triples[k + 1];
			place.rates[triples[k]] = triples[k + 2];
		}
		Object.assign(wanted, { atMs: nowMs(), sequence, rates: {}, place });
	},
	unclaim() {
		key = null;
		rest('stopping');
	}
};

socket.on('message', (bytes) => {
	try {
		const { address, args } = decode(bytes);
		const [, , , id, type] = address.split('/');
		const given = args.map(({ value }) => value);
		if (id !== options.id || given.some((value) => typeof value === 'number' && !Number.isFinite(value))) return;
		if (type === 'claim') {
			if (key !== null) return;
			const theirs = createPublicKey({
				key: Buffer.concat([Buffer.from('302a300506032b656e032100', 'hex'), given[1]]),
				format: 'der',
				type: 'spki'
			});
			const secret = diffieHellman({ privateKey: pair.privateKey, publicKey: theirs });
			key = Buffer.from(hkdfSync('sha256', secret, Buffer.alloc(0), `poise head ${options.id}`, 32));
			blinks = 2 + (createHash('sha256').update(key).digest()[0] % 8);
			console.log(`blinks ${blinks}`);
			return announce();
		}
		if (key === null) return;
		const [body, tag] = [bytes.subarray(0, -16), bytes.subarray(-16)];
		const desk = type === 'hello' ? 0 : deskBootMs;
		if (!timingSafeEqual(tagOf('toHead', desk, body), tag)) return;
		const counter = given.shift();
		given.pop();
		if (type === 'hello') {
			if (given[0] <= deskBootMs) return;
			// Another desk from now on: its counters begin anew, and nobody holds.
			[deskBootMs, counterOut, highest, heard] = [given[0], 0, 0, new Set()];
			presses.clear();
			return rest('stopping');
		}
		if (deskBootMs === 0 || counter <= highest - 256 || heard.has(counter)) return;
		heard.add(counter);
		highest = Math.max(highest, counter);
		if (heard.size > 1024) heard = new Set([...heard].filter((each) => each > highest - 256));
		does[type]?.(given);
	} catch {
		// Nothing of ours.
	}
});

let steppedMs = nowMs();
setInterval(() => {
	const now = nowMs();
	const dtS = Math.min(0.05, (now - steppedMs) / 1000);
	steppedMs = now;
	if (lease.phase === 'offered' && now > lease.offeredMs + 200) rest('rest');
	if (lease.phase === 'armed' && now > lease.untilMs) rest('stopping');
	const held = lease.phase === 'armed';
	for (const [name, axis] of Object.entries(axes)) {
		let asked = 0;
		if (held && wanted.place !== null && now < wanted.place.dueMs + 60 && name in wanted.place.at)
			asked =
				wanted.place.rates[name] +
				6 * (wanted.place.at[name] - (wanted.place.rates[name] * (wanted.place.dueMs - now)) / 1000 - axis.at);
		else if (held && now < wanted.atMs + 120) asked = wanted.rates[name] ?? 0;
		// Within its speed, in time for its end, within its acceleration.
		const room = Math.max(0, asked > 0 ? axis.to - axis.at : axis.at - axis.from);
		const most = Math.min(axis.maxRate, Math.sqrt(2 * 0.8 * axis.maxAccel * room));
		asked = Math.max(-most, Math.min(most, asked));
		const step = axis.maxAccel * dtS;
		axis.rate += Math.max(-step, Math.min(step, asked - axis.rate));
		motors(name, dtS);
	}
	if (lease.phase === 'stopping' && Object.values(axes).every(({ rate }) => Math.abs(rate) < 1e-4)) rest('rest');
}, 5);

const announce = () => {
	const list = Object.entries(axes);
	const each = list.flatMap(([axis, { from, to, maxRate, maxAccel }]) => [axis, from, to, maxRate, maxAccel, 0]);
	const kinds = `issiib${'sffffi'.repeat(list.length)}`;
	send('announce', kinds, [1, options.name, 'small', key === null ? 0 : 1, bootMs, publicKey, ...each], false);
};
function state() {
	if (key === null || deskBootMs === 0) return;
	const link = lease.holder || [...links.keys()].find((each) => each !== 'desk') || '';
	const { samples, trip } = linkOf(link);
	const { phase, holder, epoch, heldMs, stoppedBy } = lease;
	const each = Object.entries(axes).flatMap(([axis, { at, rate }]) => [axis, at, rate, 1]);
	send('state', `issiissifisii${'sffi'.repeat(each.length / 4)}`, [
		...[nowMs(), phase, holder, epoch, heldMs, stoppedBy, '', 0, 1, 0, link, samples, Math.min(1e6, trip), ...each]
	]);
}
socket.bind(0, () => {
	announce();
	setInterval(announce, 1000);
	setInterval(state, 20);
});
