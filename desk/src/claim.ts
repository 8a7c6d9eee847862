import {
	codeOf,
	commitTo,
	freshKeyPair,
	freshNonce,
	type Half,
	protocolVersion,
	sharedKey,
	type ToDesk,
	type ToHead
} from '@poise/link';

const sayEveryMs = 400;
export const sameBytes = (one: Uint8Array, other: Uint8Array): boolean => Buffer.compare(one, other) === 0;

/**
 * A claim on its way, at the desk: it binds itself to its half of a key, the head to its own, then both are shown. Whoever stands between has to
 * choose before they see anything, and the digits of the two keys differ.
 */
export class Claim {
	readonly #headId: string;
	readonly #own = freshKeyPair();
	readonly #half: Half = { publicKey: this.#own.publicKey, nonce: freshNonce() };
	#commit: Uint8Array | null = null;
	#key: Uint8Array | null = null;
	#saidMs = -Infinity;

	constructor(headId: string) {
		this.#headId = headId;
	}
	/** What is to be said now: again and again, until both halves are shown. */
	says(atMs: number): ToHead | null {
		if (this.#key !== null || atMs - this.#saidMs < sayEveryMs) return null;
		this.#saidMs = atMs;
		return this.#commit === null
			? { type: 'claim', version: protocolVersion, commit: commitTo(this.#half) }
			: { type: 'reveal', ...this.#half };
	}
	/** False: nothing that it had bound itself to. */
	hear(message: Extract<ToDesk, { type: 'pledge' | 'half' }>): boolean {
		if (this.#key !== null) return true;
		if (message.type === 'pledge') {
			if (this.#commit !== null) return sameBytes(this.#commit, message.commit);
			[this.#commit, this.#saidMs] = [message.commit, -Infinity];
			return true;
		}
		const head: Half = { publicKey: message.publicKey, nonce: message.nonce };
		if (this.#commit === null || !sameBytes(commitTo(head), this.#commit)) return false;
		try {
			this.#key = sharedKey(this.#own, { desk: this.#half, head, headId: this.#headId });
			return true;
		} catch {
			return false;
		}
	}
	/** The key, where somebody has read its very digits off the box. `wait`: the head has not shown its half yet. */
	confirm(code: string): Uint8Array | 'wait' | null {
		if (this.#key === null) return 'wait';
		return code.replace(/\D/g, '') === codeOf(this.#key) ? this.#key : null;
	}
}
