import {
	createHash,
	createHmac,
	createPrivateKey,
	createPublicKey,
	diffieHellman,
	generateKeyPairSync,
	hkdfSync,
	randomBytes
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

/** What one end shows of itself when a head is claimed: its half of the key and a word drawn at random. */
export interface Half {
	readonly publicKey: Uint8Array;
	readonly nonce: Uint8Array;
}
const nonceBytes = 16;
export const freshNonce = (): Uint8Array => randomBytes(nonceBytes);

/** What binds an end to a half before it shows it: whoever stands between has to choose before they see anything. */
export const commitTo = ({ publicKey, nonce }: Half): Uint8Array =>
	createHash('sha256').update('poise half/').update(publicKey).update(nonce).digest();

/** The key both ends come to, each from its own private half and both that were shown. Throws for a half that is none. */
export function sharedKey(
	own: KeyPair,
	{ desk, head, headId }: { readonly desk: Half; readonly head: Half; readonly headId: string }
): Uint8Array {
	const theirs = Buffer.compare(own.publicKey, desk.publicKey) === 0 ? head : desk;
	for (const { publicKey, nonce } of [desk, head])
		if (publicKey.length !== rawBytes || nonce.length !== nonceBytes)
			throw new Error('sharedKey: a half must be 32 and 16 bytes');
	const secret = diffieHellman({
		privateKey: createPrivateKey({
			key: Buffer.concat([privatePrefix, own.privateKey]),
			format: 'der',
			type: 'pkcs8'
		}),
		publicKey: createPublicKey({ key: Buffer.concat([publicPrefix, theirs.publicKey]), format: 'der', type: 'spki' })
	});
	const salt = createHash('sha256');
	for (const { publicKey, nonce } of [desk, head]) salt.update(publicKey).update(nonce);
	return new Uint8Array(hkdfSync('sha256', secret, salt.digest(), `poise head ${headId}`, 32));
}

/** Seven digits of a key, 23 bits: who reads them off the box and types them at the desk knows that nobody stands between. */
export function codeOf(key: Uint8Array): string {
	const digest = createHmac('sha256', key).update('poise code').digest();
	return String(digest.readUIntBE(0, 6) % 10_000_000).padStart(7, '0');
}

/** A head's own word for a session that a desk asks for: another one for every desk, every session and every time it has power. */
export const challengeOf = (secret: Uint8Array, desk: Uint8Array, session: number): Uint8Array =>
	createHmac('sha256', secret).update(`poise session ${session}/`).update(desk).digest().subarray(0, nonceBytes);
