import { pageKeys } from '$lib/sheet/keys';
import { BalanceLog } from './balanceLog.svelte';

/** As much of a bench as logging it asks for. */
interface Logged<State extends object> {
	readonly state: State;
	readonly payloadId: string;
	readonly payloadVersion: number;
	readonly support: { readonly id: string };
	readonly slip: { readonly kind: string } | null;
	readonly document: { save(): Promise<unknown> };
	accept(): void;
}

/** Logging what stands on a bench; and Enter, which does what its slip asks for, and logs it once it is poised. */
export function benchLog<State extends object>(bench: Logged<State>) {
	const log = new BalanceLog(
		() => bench.state,
		() => bench.document.save()
	);
	const logIt = () =>
		log.log((state) => ({
			payloadId: bench.payloadId,
			supportId: bench.support.id,
			payloadVersion: bench.payloadVersion,
			state
		}));
	const keys = pageKeys({
		outsideControls: {
			Enter: () => {
				if (bench.slip?.kind === 'move') bench.accept();
				else if (bench.slip?.kind === 'poised' && log.logged === null) void logIt();
				else return false;
			}
		}
	});
	return { log, logIt, keys };
}
