/** What can be wrong with a request, the status each answers with, and the words where nothing better is known. */
export const refusals = {
	invalid: [422, 'Some fields need another look.'],
	badJson: [400, 'The request is not readable JSON.'],
	badAddress: [
		400,
		'That address holds a character that nothing here is called by. Go back, or begin at the front page.'
	],
	wrongType: [415, 'Send JSON, with the content type application/json.'],
	tooLarge: [413, 'The request is larger than 1 MiB.'],
	otherOrigin: [403, 'Writes are only taken from the application’s own pages.'],
	notAllowed: [403, 'Your role in this crew does not allow that. Ask who leads it.'],
	notFound: [404, 'There is nothing here by that name or number.'],
	wrongMethod: [405, 'This address does not take that kind of request.'],
	nameTaken: [409, 'That name is taken.'],
	stale: [409, 'Somebody else has saved since you opened this.'],
	inUse: [409, 'It is still in use.'],
	databaseAway: [503, 'The database does not answer. What you typed is kept on this screen; try again in a moment.'],
	databaseFull: [
		503,
		'The database has no room left on its disk. Nothing was lost; what you typed is kept on this screen. Make room, then try again.'
	],
	busy: [
		503,
		'Too much is asked at once just now. It is tried again by itself; what you typed is kept on this screen.'
	],
	internal: [500, 'Something broke on our side. What you typed is kept on this screen; try again.']
} as const satisfies Record<string, readonly [status: number, message: string]>;

export type RefusalCode = keyof typeof refusals;

/** The one shape of every error the server answers with. */
export interface RefusalBody {
	readonly error: {
		readonly code: RefusalCode;
		readonly message: string;
		/** Message by field, the field as a path into what was sent: `shape.sizeM.0`. */
		readonly fields?: Readonly<Record<string, string>>;
	};
}

/** An expected "no" on the way through a route. */
export class Refusal extends Error {
	override readonly name = 'Refusal';
	constructor(
		readonly code: RefusalCode,
		message: string = refusals[code][1],
		readonly fields?: Readonly<Record<string, string>>
	) {
		super(message);
	}
	get status(): number {
		return refusals[this.code][0];
	}
	get body(): RefusalBody {
		return {
			error: { code: this.code, message: this.message, ...(this.fields === undefined ? {} : { fields: this.fields }) }
		};
	}
}

/** Postgres's own codes for what a person can mend. */
const uniqueViolation = '23505';
const referenceViolation = '23503';
const diskFull = '53100';

/** Reads any thrown value as a refusal: our own as they are, the database's by its code, the rest as internal. */
export function asRefusal(thrown: unknown): Refusal {
	if (thrown instanceof Refusal) return thrown;
	const code = databaseCode(thrown);
	if (code === uniqueViolation) {
		const message = 'That name is taken. Choose another.';
		return new Refusal('nameTaken', message, { name: message });
	}
	// Somebody took it into use, or away, in the same moment.
	if (code === referenceViolation)
		return new Refusal('inUse', 'Somebody has just taken it into use, or taken away what it refers to. Look again.');
	if (code === diskFull) return new Refusal('databaseFull');
	// Class 08 is connection trouble, 57P the server shutting down; the rest are the driver's and the socket's own.
	const away = [
		'CONNECT_TIMEOUT',
		'CONNECTION_CLOSED',
		'CONNECTION_ENDED',
		'CONNECTION_DESTROYED',
		'ECONNREFUSED',
		'ECONNRESET',
		'EPIPE',
		'ENOENT'
	];
	if (
		code !== undefined &&
		(code.startsWith('08') || code.startsWith('57P') || code === '25P03' || away.includes(code))
	)
		return new Refusal('databaseAway');
	return new Refusal('internal');
}

function databaseCode(thrown: unknown): string | undefined {
	if (!(thrown instanceof Error)) return undefined;
	const { code } = thrown as { code?: unknown };
	if (typeof code === 'string') return code;
	// The driver names these by their words alone.
	if (
		/^(Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect)/i.test(
			thrown.message
		)
	)
		return 'CONNECTION_CLOSED';
	return databaseCode(thrown.cause);
}
