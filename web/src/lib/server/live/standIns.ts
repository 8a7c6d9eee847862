import { env } from '$env/dynamic/private';
import type { StandIn } from '$lib/model/standIn';
import { Refusal } from '../refusal';

/** The process of simulated heads, where one runs beside this application. */
const address = () => (env.POISE_HEADS_CONTROL ? `http://127.0.0.1:${env.POISE_HEADS_CONTROL}` : null);

async function speak<T>(path: string, init: RequestInit = {}): Promise<T> {
	const at = address();
	if (at === null) throw new Refusal('notFound', 'No simulated heads run beside this application.');
	let answer: Response;
	try {
		answer = await fetch(`${at}${path}`, { ...init, signal: AbortSignal.timeout(2000) });
	} catch (cause) {
		throw Object.assign(
			new Refusal('notFound', 'The simulated heads run, but do not answer within two seconds just now.'),
			{
				cause
			}
		);
	}
	if (!answer.ok) throw new Refusal('notFound', 'No such simulated head.');
	return (await answer.json()) as T;
}

/** Their faces; none where no such process runs beside this application. */
export const standIns = async (): Promise<readonly StandIn[]> => (address() === null ? [] : speak('/'));
/** Whether there is such a process at all: one that answers late is no reason to say that there is none. */
export const hasStandIns = (): boolean => address() !== null;

/** What somebody does to a box: its switch, its cable, a hand on an axis. */
export const handleStandIn = (id: string, handling: unknown): Promise<StandIn> =>
	speak(`/${encodeURIComponent(id)}`, { method: 'POST', body: JSON.stringify(handling) });
