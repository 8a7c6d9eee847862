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
	randomBytes,
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

// The key, which a head keeps where power cannot take it (this one forgets it); a claim on its way to one.
let key = null;
let claim = null;
// A session: the words that both ends drew for it. The secret behind its own is drawn anew with its power.
const secret = randomBytes(16);
let session = null;
let sessions = 0;
let greeted = [];
let counterOut = 0;
let highest = 0;
let heard = new Set();

const sha = (...parts) => parts.reduce((hash, part) => hash.update(part), createHash('sha256')).digest();
const hmac = (of, ...parts) => parts.reduce((hash, part) => hash.update(part), createHmac('sha256', of)).digest();
const tagOf = (direction, { key: of, head = '', desk = '' }, body) =>
	hmac(of, `poise/2/${direction}/${head}/${desk}/`, body).subarray(0, 16);
const wordFor = (desk) => hmac(secret, `poise session ${sessions}/`, desk).subarray(0, 16);
const isSigned = (bytes, by) => timingSafeEqual(tagOf('toHead', by, bytes.subarray(0, -16)), bytes.subarray(-16));
const socket = createSocket('udp4');
/** A message: its kinds as letters, one a value, and its values. */
function send(type, kinds, values, by = session) {
	const address = `/poise/head/${options.id}/${type}`;
	const typed = (letters, list) =>
		list.map((value, k) => ({ type: letters[k], value: letters[k] === 'i' ? Math.round(value) : value }));
	if (by === null)
		return socket.send(encode({ oscType: 'message', address, args: typed(kinds, values) }), Number(port), host);
	counterOut += 1;
	const args = typed(`i${kinds}b`, [counterOut, ...values, Buffer.alloc(16)]);
	const body = encode({ oscType: 'message', address, args }).subarray(0, -16);
	socket.send(Buffer.concat([body, tagOf('toDesk', by, body)]), Number(port), host);
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
		[key, session] = [null, null];
		rest('stopping');
	}
};

/** Binds itself to its half before it has seen the desk's; then, for the half the desk had bound itself to, shows it, and its digits. */
const becomes = {
	claim([, commit]) {
		if (claim === null || !commit.equals(claim.commit)) {
			const { privateKey, publicKey } = generateKeyPairSync('x25519');
			const own = publicKey.export({ format: 'der', type: 'spki' }).subarray(-32);
			claim = { commit, privateKey, own, nonce: randomBytes(16), key: null };
		}
		send('pledge', 'b', [sha('poise half/', claim.own, claim.nonce)], null);
	},
	reveal([theirs, nonce]) {
		if (claim === null || !sha('poise half/', theirs, nonce).equals(claim.commit)) return;
		const publicKey = createPublicKey({
			key: Buffer.concat([Buffer.from('302a300506032b656e032100', 'hex'), theirs]),
			format: 'der',
			type: 'spki'
		});
		const shared = diffieHellman({ privateKey: claim.privateKey, publicKey });
		const salt = sha(theirs, nonce, claim.own, claim.nonce);
		claim.key = Buffer.from(hkdfSync('sha256', shared, salt, `poise head ${options.id}`, 32));
		const digits = hmac(claim.key, 'poise code').readUIntBE(0, 6) % 10_000_000;
		console.log(`shows ${String(digits).padStart(7, '0')}`);
		send('half', 'bb', [claim.own, claim.nonce], null);
	}
};

socket.on('message', (bytes) => {
	try {
		const { address, args } = decode(bytes);
		const [, , , id, type] = address.split('/');
		const given = args.map(({ value }) => value);
		if (id !== options.id || given.some((value) => typeof value === 'number' && !Number.isFinite(value))) return;
		if (key === null && becomes[type] !== undefined) return becomes[type](given);
		const of = key ?? claim?.key;
		if (!of) return;
		if (type === 'hello') {
			if (!isSigned(bytes, { key: of })) return;
			const desk = given[1];
			greeted = [...greeted.filter((each) => !each.equals(desk)), desk].slice(-8);
			return send('challenge', 'b', [wordFor(desk)], { key: of, desk: desk.toString('hex') });
		}
		if (type === 'begin') {
			const begun = greeted
				.map((desk) => ({ key: of, head: wordFor(desk).toString('hex'), desk: desk.toString('hex') }))
				.find((each) => isSigned(bytes, each));
			if (begun === undefined) return;
			// Whoever answered its word has the key now: from here on this is the session, and nobody holds.
			[key, claim, session, greeted] = [of, null, begun, []];
			[sessions, counterOut, highest, heard] = [sessions + 1, 0, 0, new Set()];
			presses.clear();
			rest('stopping');
			return announce();
		}
		if (session === null || !isSigned(bytes, session)) return;
		const counter = given.shift();
		given.pop();
		if (counter <= highest - 256 || heard.has(counter)) return;
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
	const kinds = 'sffffi'.repeat(list.length);
	send('announce', `issi${kinds}`, [2, options.name, 'small', key === null ? 0 : 1, ...each], null);
	if (session !== null) send('about', `ss${kinds}`, [options.name, 'small', ...each]);
};
function state() {
	if (session === null) return;
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
