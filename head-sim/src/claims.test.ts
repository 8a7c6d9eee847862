import { codeOf, commitTo, freshKeyPair, freshNonce, type Half, sharedKey } from '@poise/link';
import { describe, expect, it } from 'vitest';
import { type ClaimEvent, type ClaimEffect, claimMs, claimStep, type Owner, speakingKey } from './claims';

/* Whose a head is: each rule by what comes of a word, with a real exchange of halves. */

const nobodys: Owner = { key: null, claim: null };
function desk() {
	const own = freshKeyPair();
	const half: Half = { publicKey: own.publicKey, nonce: freshNonce() };
	return {
		half,
		claims: (atMs = 0): ClaimEvent => ({ kind: 'claim', commit: commitTo(half), atMs }),
		reveals: (): ClaimEvent => ({ kind: 'reveal', desk: half, headId: 'h-1' }),
		keyWith: (head: Half) => sharedKey(own, { desk: half, head, headId: 'h-1' })
	};
}
function head(owner: Owner = nobodys) {
	let now = owner;
	return {
		take: (event: ClaimEvent): readonly ClaimEffect[] => {
			const [after, effects] = claimStep(now, event);
			now = after;
			return effects;
		},
		get owner() {
			return now;
		}
	};
}
const half = (effects: readonly ClaimEffect[]): Half => {
	const [said] = effects;
	if (said?.kind !== 'say' || said.message.type !== 'half') throw new Error('It shows no half.');
	return said.message;
};

describe('a claim', () => {
	it('of a head that is nobody’s is answered by what binds it, and shows nothing yet', () => {
		const [one, box] = [desk(), head()];
		const [pledge, ...more] = box.take(one.claims());
		expect(more).toEqual([]);
		expect(pledge).toMatchObject({ kind: 'say', message: { type: 'pledge' } });
		expect(speakingKey(box.owner)).toBeNull();
		expect(box.take(one.claims(500))).toEqual([pledge]);
		expect(box.owner.claim!.sinceMs).toBe(0);
	});
	it('comes to one key at both ends once both halves are shown, bound as was said', () => {
		const [one, box] = [desk(), head()];
		const [pledge] = box.take(one.claims());
		const shown = half(box.take(one.reveals()));
		if (pledge?.kind !== 'say' || pledge.message.type !== 'pledge') throw new Error('no pledge');
		expect(Buffer.from(commitTo(shown)).equals(Buffer.from(pledge.message.commit))).toBe(true);
		const key = speakingKey(box.owner)!;
		expect(codeOf(one.keyWith(shown))).toBe(codeOf(key));
		// Shown again where the word was lost, and the key stays.
		expect(half(box.take(one.reveals()))).toEqual(shown);
		expect(speakingKey(box.owner)).toEqual(key);
	});
	it('another half than the one that was bound is not heeded', () => {
		const [one, other, box] = [desk(), desk(), head()];
		box.take(one.claims());
		expect(box.take(other.reveals())).toEqual([{ kind: 'ignored' }]);
		expect(speakingKey(box.owner)).toBeNull();
		expect(head().take(one.reveals())).toEqual([{ kind: 'ignored' }]);
	});
	it('of a head that is somebody’s is refused, shown or not, and changes nothing', () => {
		const key = new Uint8Array(32).fill(3);
		const [one, box] = [desk(), head({ key, claim: null })];
		for (const event of [one.claims(), one.reveals()]) expect(box.take(event)).toEqual([{ kind: 'ignored' }]);
		expect(box.owner).toEqual({ key, claim: null });
	});
	it('counts once a session begins by its key, which is then kept, once', () => {
		const [one, box] = [desk(), head()];
		box.take(one.claims());
		box.take(one.reveals());
		const key = speakingKey(box.owner)!;
		expect(box.owner.key).toBeNull();
		expect(box.take({ kind: 'begun', key })).toEqual([{ kind: 'keep', key }]);
		expect(box.owner).toEqual({ key, claim: null });
		expect(box.take({ kind: 'begun', key })).toEqual([]);
	});
	it('that nobody ends is forgotten after two minutes, and with its power', () => {
		const [one, box] = [desk(), head()];
		box.take(one.claims(1000));
		box.take({ kind: 'tick', atMs: 1000 + claimMs });
		expect(box.owner.claim).not.toBeNull();
		box.take({ kind: 'tick', atMs: 1001 + claimMs });
		expect(box.owner.claim).toBeNull();
		box.take(one.claims());
		box.take({ kind: 'power' });
		expect(box.owner.claim).toBeNull();
	});
	it('given back, it is nobody’s, and keeps nothing; with its power alone it stays whose it was', () => {
		const key = new Uint8Array(32).fill(3);
		const box = head({ key, claim: null });
		box.take({ kind: 'power' });
		expect(speakingKey(box.owner)).toEqual(key);
		expect(box.take({ kind: 'unclaim' })).toEqual([{ kind: 'keep', key: null }]);
		expect(box.owner).toEqual(nobodys);
		expect(box.take(desk().claims())[0]).toMatchObject({ kind: 'say' });
	});
});
