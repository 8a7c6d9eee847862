import type { ServerStation } from '$lib/server/station';
import { fromStore } from '$lib/server/stored';
import { loadMoves } from './demo.server';
import { latestMove, moveAs } from './rows.server';
import { savedStation } from './station';

export const server: ServerStation = {
	/** Of the move that was changed last. */
	state: async ({ crewId }) => {
		const last = await latestMove(crewId);
		return last === null ? null : savedStation(last.move);
	},
	histories: { move: () => (content) => fromStore(moveAs, content) },
	demo: loadMoves
};
