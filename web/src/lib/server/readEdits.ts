import type { Edit } from '$lib/model/edit';
import type { PaperKind } from '$lib/model/paper';
import { idOf } from './api';
import { listEdits } from './db/edits';
import { headAs } from './db/heads';
import { paperAs } from './db/papers';
import { findSupport } from './db/supports';
import { planAs } from './db/venues';
import { serverKind } from './kinds';
import { Refusal } from './refusal';
import type { HistoryReader } from './station';
import { historyOf } from './stations';
import { fromStore } from './stored';
import { sayTrouble } from './trouble';

/** How what lies in a document's history is read today: brought up to date like the document itself. */
async function reader(crewId: string, document: string): Promise<HistoryReader> {
	const [topic, id, more] = document.split('/');
	switch (topic) {
		case 'payload':
			return ({ shape: _shape, ...draft }) => draft;
		case 'venue':
			return ({ plan, ...rest }) => ({ ...rest, plan: fromStore(planAs, plan) });
		case 'head':
			return ({ head, ...rest }) => ({ ...rest, head: fromStore(headAs, head) });
		case 'support': {
			const { geometry: as } = serverKind((await findSupport(crewId, idOf(id))).kind);
			return ({ geometry, ...rest }) => ({ ...rest, geometry: fromStore(as, geometry) as unknown });
		}
		case 'bench': {
			const { state: as } = serverKind((await findSupport(crewId, idOf(id))).kind);
			return (state) => fromStore(as, state) as unknown;
		}
		case 'paper':
			if (more === 'power' || more === 'checklist') return (paper) => fromStore(paperAs(more as PaperKind), paper);
			break;
	}
	const ofStation = historyOf(document);
	if (ofStation !== null) return ofStation;
	throw new Refusal('notFound', 'Nothing of that sort has a history.');
}

/** Who left a document how, the newest first; what cannot be read any more is left out, and said in the server's log. */
export async function readEdits(crewId: string, document: string): Promise<Edit[]> {
	const [read, edits] = await Promise.all([reader(crewId, document), listEdits(crewId, document)]);
	return edits.flatMap(({ content, ...edit }) => {
		try {
			return [{ ...edit, content: read(content as Parameters<HistoryReader>[0]) }];
		} catch (thrown) {
			sayTrouble(`history of ${document}, ${edit.at}`, thrown);
			return [];
		}
	});
}
