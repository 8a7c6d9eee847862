import { json, type RequestEvent } from '@sveltejs/kit';
import Joi from 'joi';
import { asRefusal, Refusal } from './refusal';
import { plainWords } from './schemas/quantities';
import { sayTrouble } from './trouble';

const greatestBodyBytes = 1024 * 1024;
const discardedBodyBytes = 64 * 1024 * 1024;

/** Wraps a route: what it returns is sent as JSON, what it throws as `{ error }`. Unexpected errors go to the log whole. */
export function api<Event extends RequestEvent>(handler: (event: Event) => Promise<unknown> | unknown) {
	return async (event: Event): Promise<Response> => {
		try {
			return json((await handler(event)) ?? null);
		} catch (thrown) {
			return refuse(thrown, event);
		}
	};
}

export function refuse(thrown: unknown, event: RequestEvent): Response {
	const refusal = asRefusal(thrown);
	if (refusal.status >= 500 && refusal.code !== 'busy')
		sayTrouble(`${event.request.method} ${event.route.id ?? 'no route'}`, thrown);
	return json(refusal.body, { status: refusal.status });
}

/** The body, validated; refuses by content type, by size while reading, by syntax, and then field by field. */
export async function readBody<T>(event: RequestEvent, schema: Joi.Schema<T>): Promise<T> {
	const type = event.request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase();
	if (type !== 'application/json') throw new Refusal('wrongType');
	const bytes = await readBytes(event.request, greatestBodyBytes);
	const body = parseJson(Buffer.from(bytes).toString('utf8'));
	refuseUnstorable(body);
	return validated(body, schema);
}

/**
 * Reads to the limit. What comes past it is read and thrown away, so that the sender is there to hear the answer; past
 * the patience it is cut off.
 */
export async function readBytes(request: Request, mostBytes: number): Promise<Uint8Array> {
	const reader = request.body?.getReader();
	if (reader === undefined) return new Uint8Array();
	const chunks: Uint8Array[] = [];
	let size = 0;
	for (;;) {
		const { done, value } = await reader.read();
		if (done) break;
		size += value.byteLength;
		if (size <= mostBytes) chunks.push(value);
		else if (size > discardedBodyBytes) {
			await reader.cancel();
			break;
		}
	}
	if (size > mostBytes) throw new Refusal('tooLarge', `The request is larger than ${mostBytes / (1024 * 1024)} MiB.`);
	return Buffer.concat(chunks);
}

function parseJson(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch (cause) {
		throw Object.assign(new Refusal('badJson'), { cause });
	}
}

/** Deeper than any document of ours. */
const deepest = 24;

/** PostgreSQL keeps neither the zero byte nor half a character in any text, and nothing here is nested without end. */
function refuseUnstorable(value: unknown, path: readonly string[] = []): void {
	const refuse = (words: string) => {
		throw new Refusal('invalid', undefined, { [path.join('.')]: words });
	};
	if (path.length > deepest) refuse('This is nested too deep.');
	if (typeof value === 'string' && (value.includes('\0') || !value.isWellFormed()))
		refuse('This holds a control character, or half a character, that cannot be kept.');
	if (typeof value !== 'object' || value === null) return;
	for (const [key, each] of Object.entries(value)) {
		if (key.includes('\0') || !key.isWellFormed()) refuse('This holds a name that cannot be kept.');
		refuseUnstorable(each, [...path, key]);
	}
}

/** Read once: read again at every door they take twenty times as long as the rest of it. */
const words = Object.fromEntries(Object.entries(plainWords).map(([code, text]) => [code, Joi.expression(text)]));
const doorRules: Joi.ValidationOptions = {
	abortEarly: false,
	convert: false,
	errors: { wrap: { label: false } },
	messages: words as unknown as Joi.LanguageMessages
};

/** The value as the schema reads it, or a refusal with a message for every field that is wrong. */
export function validated<T>(value: unknown, schema: Joi.Schema<T>): T {
	const { value: read, error } = schema.validate(value, doorRules);
	if (error === undefined) return read;
	const fields: Record<string, string> = {};
	for (const { path, message } of error.details) fields[path.join('.')] ??= sentence(message);
	throw new Refusal('invalid', undefined, fields);
}

const sentence = (message: string) => `${message.charAt(0).toUpperCase()}${message.slice(1)}.`;

const uuidPattern = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** An id from the address; anything else than a UUID names nothing. */
export function idOf(text: string | undefined): string {
	if (text === undefined || !uuidPattern.test(text)) throw new Refusal('notFound');
	return text.toLowerCase();
}
