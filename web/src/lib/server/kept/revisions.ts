import { type Listening, listenToDatabase } from '../db/listening';

/** What the trigger of every table says, with the crew whose rows were written (migration 0015). */
const channel = 'poise_revisions';

/**
 * How often anything of a crew was written, by whatever process: what was made from a crew's rows holds while its revision stands.
 * While the database is not heard there is none, and nothing that was kept is known to hold.
 */
export class Revisions {
	readonly #written = new Map<string, number>();
	#missed = 0;
	#listening: Pick<Listening, 'isHeard' | 'stop'> | null = null;

	of(crewId: string): string | null {
		return this.#listening?.isHeard === true ? `${this.#missed}.${this.#written.get(crewId) ?? 0}` : null;
	}
	/** Said by the database; and by whoever wrote here, so that the next page already shows it. */
	raise(crewId: string): void {
		this.#written.set(crewId, (this.#written.get(crewId) ?? 0) + 1);
	}
	listenTo(connectionString: string, listen = listenToDatabase): void {
		this.#listening = listen(connectionString, {
			begin: async (connection) => {
				await connection.query(`listen ${channel}`);
				// What is in the making read some of its rows before anybody listened.
				this.#missed += 1;
				return true;
			},
			hear: (crewId) => this.raise(crewId),
			lose: () => (this.#missed += 1),
			patienceMs: 2000
		});
	}
	async stop(): Promise<void> {
		await this.#listening?.stop();
	}
}

/** Those of this process. */
export const revisions = new Revisions();
