import { commitTo, freshKeyPair, freshNonce, type Half, type KeyPair, sharedKey, type ToDesk } from '@poise/link';

/*
 * Whose a head is, as a machine of state and event: nobody's, on its way to a desk, or a desk's. A claim is taken by a head that is nobody's
 * alone; the key of it counts once its desk has begun a session with it, and not before.
 */

/** A claim that is not begun within this is forgotten. */
export const claimMs = 120_000;

/** What the desk bound itself to, the own half, and the key once both are shown. */
interface Claim {
	readonly commit: string;
	readonly own: KeyPair;
	readonly half: Half;
	readonly sinceMs: number;
	readonly key: Uint8Array | null;
}
export interface Owner {
	readonly key: Uint8Array | null;
	readonly claim: Claim | null;
}
export type ClaimEvent =
	| { readonly kind: 'claim'; readonly commit: Uint8Array; readonly atMs: number }
	| { readonly kind: 'reveal'; readonly desk: Half; readonly headId: string }
	/** A desk has begun a session by this key. */
	| { readonly kind: 'begun'; readonly key: Uint8Array }
	| { readonly kind: 'unclaim' }
	/** Switched off and on. */
	| { readonly kind: 'power' }
	| { readonly kind: 'tick'; readonly atMs: number };
export type ClaimEffect =
	| { readonly kind: 'say'; readonly message: Extract<ToDesk, { type: 'pledge' | 'half' }> }
	| { readonly kind: 'ignored' }
	/** To be kept without power; null: nothing any more. */
	| { readonly kind: 'keep'; readonly key: Uint8Array | null };

const hex = (bytes: Uint8Array): string => Buffer.from(bytes).toString('hex');
const drawn = (): Pick<Claim, 'own' | 'half'> => {
	const own = freshKeyPair();
	return { own, half: { publicKey: own.publicKey, nonce: freshNonce() } };
};

/** `draw`: a new half, where one is needed. */
export function claimStep(
	owner: Owner,
	event: ClaimEvent,
	draw: () => Pick<Claim, 'own' | 'half'> = drawn
): readonly [Owner, readonly ClaimEffect[]] {
	const { key, claim } = owner;
	const ignored = [owner, [{ kind: 'ignored' }]] as const;
	switch (event.kind) {
		case 'claim': {
			if (key !== null) return ignored;
			// It binds itself to its half before it has seen the desk's; the same claim again has the same answer.
			const commit = hex(event.commit);
			const now = claim?.commit === commit ? claim : { commit, ...draw(), sinceMs: event.atMs, key: null };
			return [{ key, claim: now }, [{ kind: 'say', message: { type: 'pledge', commit: commitTo(now.half) } }]];
		}
		case 'reveal': {
			// The desk's half, where it is the one it bound itself to: both have come to a key, and the box shows its digits.
			if (key !== null || claim === null || hex(commitTo(event.desk)) !== claim.commit) return ignored;
			const half = [{ kind: 'say', message: { type: 'half', ...claim.half } }] as const;
			if (claim.key !== null) return [owner, half];
			try {
				const agreed = sharedKey(claim.own, { desk: event.desk, head: claim.half, headId: event.headId });
				return [{ key, claim: { ...claim, key: agreed } }, half];
			} catch {
				return ignored;
			}
		}
		case 'begun':
			return [{ key: event.key, claim: null }, key === null ? [{ kind: 'keep', key: event.key }] : []];
		case 'unclaim':
			return [{ key: null, claim: null }, [{ kind: 'keep', key: null }]];
		case 'power':
			return [{ key, claim: null }, []];
		case 'tick':
			return claim !== null && event.atMs - claim.sinceMs > claimMs ? [{ key, claim: null }, []] : [owner, []];
	}
}
/** By which key a desk may speak with it: its own, or the one that both have come to. */
export const speakingKey = ({ key, claim }: Owner): Uint8Array | null => key ?? claim?.key ?? null;
