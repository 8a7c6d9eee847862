import pg from 'pg';

const retryMs = 1000;
/** So often it is asked whether it still answers. */
const beatMs = 500;

export interface Listener {
	/** Whatever has to be asked of the connection before it counts; false: not this time, it is tried again in a second. */
	readonly begin: (connection: pg.Client) => Promise<boolean>;
	/** Somebody said something on a channel that `begin` listens to. */
	readonly hear: (words: string) => void;
	/** A connection that had begun is no more; what was said since is not known. */
	readonly lose: () => void;
	readonly trouble?: (thrown: unknown) => void;
	/** A connection that has not answered for so long counts no more. */
	readonly patienceMs: number;
}
export interface Listening {
	/** Begun, and heard of lately. */
	readonly isHeard: boolean;
	stop(): Promise<void>;
}

/** A connection of its own that listens, begun again whenever it is lost. The one loop for whoever listens to the database. */
export function listenToDatabase(connectionString: string | undefined, listener: Listener): Listening {
	const { begin, hear, lose, trouble = () => {}, patienceMs } = listener;
	let stopped = false;
	let current: pg.Client | null = null;
	let wake: () => void = () => {};
	let heardAtMs = -Infinity;
	const run = async () => {
		while (!stopped) {
			const mine = new pg.Client({ connectionString, connectionTimeoutMillis: 5000, keepAlive: true });
			const ended = new Promise<void>((resolve) => {
				mine.once('end', resolve);
				mine.on('error', () => resolve());
			});
			let begun = false;
			try {
				current = mine;
				await mine.connect();
				mine.on('notification', ({ payload }) => hear(payload ?? ''));
				heardAtMs = performance.now();
				begun = await begin(mine);
				if (begun) await Promise.race([ended, silence(mine)]);
			} catch (thrown) {
				// Whoever asks the database in a request says what is wrong with it; here it is only tried again.
				if (!stopped) trouble(thrown);
			}
			current = null;
			heardAtMs = -Infinity;
			if (begun) lose();
			await farewell(mine);
			if (stopped) return;
			await new Promise<void>((resolve) => {
				wake = resolve;
				setTimeout(resolve, retryMs).unref();
			});
		}
	};

	/** Resolves when it does not answer any more. */
	async function silence(connection: pg.Client): Promise<void> {
		while (current === connection && !stopped) {
			const asked = connection.query('select 1').then(() => (heardAtMs = performance.now()));
			asked.catch(() => {});
			const tooLong = pause(patienceMs).then(() => 'tooLong' as const);
			if ((await Promise.race([asked, tooLong])) === 'tooLong') {
				// A process that stood still finds its time gone by and the answer there: the answer counts.
				await new Promise((resolve) => setImmediate(() => setImmediate(resolve)));
				if (performance.now() - heardAtMs >= patienceMs) return;
			}
			await pause(beatMs);
		}
	}
	void run();
	return {
		get isHeard() {
			return performance.now() - heardAtMs < patienceMs;
		},
		stop: async () => {
			stopped = true;
			wake();
			if (current !== null) await farewell(current);
		}
	};
}

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms).unref());

/** One that hangs does not say good-bye either. */
async function farewell(connection: pg.Client): Promise<void> {
	await Promise.race([connection.end().catch(() => {}), pause(500)]);
	(
		connection as unknown as { readonly connection: { readonly stream: { destroy(): void } } }
	).connection.stream.destroy();
}
