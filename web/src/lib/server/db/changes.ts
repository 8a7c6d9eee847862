import pg from 'pg';
import type { Written } from '../kept/readSet';

/** What the triggers of every table call (migration 0012). */
const channel = 'poise_changes';
const retryMs = 1000;
/** An ear that has not answered for so long is taken for deaf; it is asked this often. */
const [patienceMs, beatMs] = [2000, 500] as const;

/** Reads what a trigger says: the table, after `~` the columns of a change, then those that name a row, as `column=value`. */
export function writtenIn(words: string): Written {
	const [table = '', ...rest] = words.split(' ');
	const changed = rest.find((word) => word.startsWith('~'));
	const pairs = rest.filter((word) => word !== changed && word.includes('='));
	return {
		table,
		changed: changed === undefined ? null : new Set(changed.slice(1).split(',')),
		ids: new Map(pairs.map((pair) => [pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1)]))
	};
}

/** Hears of every row that is written to the database, by whatever process. */
export interface ChangeEar {
	/** Tables that say when they are written; null: not listening, or not heard of for two seconds, so that nothing is known of any. */
	readonly tables: ReadonlySet<string> | null;
	/** Resolves when everything committed before the call has been heard. */
	caughtUp(): Promise<void>;
	stop(): Promise<void>;
}

/** Listens over a connection of its own, and takes it up again when it is lost; `deaf` is called whenever something may have been missed. */
export function listenToChanges(
	connectionString: string,
	{ written, deaf }: { readonly written: (row: Written) => void; readonly deaf: () => void }
): ChangeEar {
	let stopped = false;
	let client: pg.Client | null = null;
	let tables: ReadonlySet<string> | null = null;
	let wake: (() => void) | null = null;
	let heardAtMs = -Infinity;
	const run = async () => {
		while (!stopped) {
			const mine = new pg.Client({ connectionString, connectionTimeoutMillis: 5000, keepAlive: true });
			const ended = new Promise<void>((resolve) => {
				mine.once('end', resolve);
				mine.on('error', () => resolve());
			});
			try {
				client = mine;
				await mine.connect();
				mine.on('notification', ({ payload }) => written(writtenIn(payload ?? '')));
				await mine.query(`listen ${channel}`);
				const { rows } = await mine.query<{ name: string }>(
					`select tgrelid::regclass::text as name from pg_trigger where tgname = 'tells_rows' and tgenabled <> 'D'`
				);
				// What is in the making read some of its rows before anybody listened.
				deaf();
				heardAtMs = performance.now();
				tables = new Set(rows.map(({ name }) => name));
				const beat = setInterval(() => void caughtUp(), beatMs);
				beat.unref();
				await ended.finally(() => clearInterval(beat));
			} catch {
				// Whoever asks the database in this request says what is wrong with it; here it is only tried again.
			}
			client = null;
			tables = null;
			deaf();
			await mine.end().catch(() => {});
			if (!stopped)
				await new Promise<void>((resolve) => {
					wake = resolve;
					setTimeout(resolve, retryMs).unref();
				});
		}
	};
	void run();
	let asking: Promise<void> | null = null;
	let following: Promise<void> | null = null;
	const ask = () => {
		following = null;
		const answered = (asking = heardAll().finally(() => {
			if (asking === answered) asking = null;
		}));
		return answered;
	};
	// A server sends what was committed before a query ahead of the query's own end.
	// One question answers all who wait when it is sent; who comes later waits for the next.
	const caughtUp = () => (following ??= (asking ?? Promise.resolve()).then(ask));
	async function heardAll(): Promise<void> {
		const asked = client;
		if (tables === null || asked === null) return;
		let waited: NodeJS.Timeout | undefined;
		const tooLong = new Promise<'tooLong'>((resolve) => {
			waited = setTimeout(() => resolve('tooLong'), patienceMs);
		});
		const heard = await Promise.race([asked.query('select 1').catch(() => 'lost'), tooLong]);
		clearTimeout(waited);
		if (client !== asked) return;
		if (heard !== 'tooLong' && heard !== 'lost') {
			heardAtMs = performance.now();
			return;
		}
		tables = null;
		deaf();
		// One that hangs does not say good-bye either.
		(asked as unknown as { readonly connection: { readonly stream: { destroy(): void } } }).connection.stream.destroy();
	}
	return {
		get tables() {
			return performance.now() - heardAtMs > patienceMs ? null : tables;
		},
		caughtUp,
		stop: async () => {
			stopped = true;
			wake?.();
			await client?.end().catch(() => {});
		}
	};
}
