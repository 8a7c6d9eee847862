import {
	createHash,
	createPrivateKey,
	createPublicKey,
	diffieHellman,
	generateKeyPairSync,
	hkdfSync
} from 'node:crypto';

/** One end's half of a key, X25519: kept private, shown public. */
export interface KeyPair {
	readonly privateKey: Uint8Array;
	readonly publicKey: Uint8Array;
}
const rawBytes = 32;
const privatePrefix = Buffer.from('302e020100300506032b656e04220420', 'hex');
const publicPrefix = Buffer.from('302a300506032b656e032100', 'hex');

export function freshKeyPair(): KeyPair {
	const { privateKey, publicKey } = generateKeyPairSync('x25519');
	return {
		privateKey: privateKey.export({ format: 'der', type: 'pkcs8' }).subarray(-rawBytes),
		publicKey: publicKey.export({ format: 'der', type: 'spki' }).subarray(-rawBytes)
	};
}

/** The key both ends come to, each from its own private and the other's public half. Throws for a half that is none. */
export function sharedKey(own: KeyPair, theirPublic: Uint8Array, headId: string): Uint8Array {
	if (theirPublic.length !== rawBytes) throw new Error('sharedKey: the other half must be 32 bytes');
	const secret = diffieHellman({
		privateKey: createPrivateKey({
			key: Buffer.concat([privatePrefix, own.privateKey]),
			format: 'der',
			type: 'pkcs8'
		}),
		publicKey: createPublicKey({ key: Buffer.concat([publicPrefix, theirPublic]), format: 'der', type: 'spki' })
	});
	return new Uint8Array(hkdfSync('sha256', secret, Buffer.alloc(0), `poise head ${headId}`, 32));
}

/** How often a head blinks that has come to this key, 2 to 9: who counts them knows that nobody stands between. */
export const blinksOf = (key: Uint8Array): number => 2 + (createHash('sha256').update(key).digest()[0]! % 8);
