import type { Edit } from '$lib/model/edit';
import type { PaperKind } from '$lib/model/paper';
import { idOf } from './api';
import { listEdits } from './db/edits';
import { feelPaper } from './db/feel';
import { headAs } from './db/heads';
import { liveSettingsAs } from './db/liveHeads';
import { moveAs } from './db/moves';
import { paperAs } from './db/papers';
import { findSupport } from './db/supports';
import { planAs } from './db/venues';
import { serverKind } from './kinds';
import { Refusal } from './refusal';
import { fromStore } from './stored';
import { sayTrouble } from './trouble';

type Json = Readonly<Record<string, unknown>>;

/** How what lies in a document's history is read today: brought up to date like the document itself. */
async function reader(crewId: string, document: string): Promise<(content: Json) => unknown> {
	const [topic, id, more] = document.split('/');
	switch (topic) {
		case 'payload':
			return ({ shape: _shape, ...draft }) => draft;
		case 'venue':
			return ({ plan, ...rest }) => ({ ...rest, plan: fromStore(planAs, plan) });
		case 'head':
			return ({ head, ...rest }) => ({ ...rest, head: fromStore(headAs, head) });
		case 'liveHead':
			return ({ settings, ...rest }) => ({ ...rest, settings: fromStore(liveSettingsAs, settings) });
		case 'move':
			return (content) => fromStore(moveAs, content);
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
		case 'feel': {
			const { as } = feelPaper(id);
			return (content) => fromStore(as, content) as unknown;
		}
	}
	throw new Refusal('notFound', 'Nothing of that sort has a history.');
}

/** Who left a document how, the newest first; what cannot be read any more is left out, and said in the server's log. */
export async function readEdits(crewId: string, document: string): Promise<Edit[]> {
	const [read, edits] = await Promise.all([reader(crewId, document), listEdits(crewId, document)]);
	return edits.flatMap(({ content, ...edit }) => {
		try {
			return [{ ...edit, content: read(content as Json) }];
		} catch (thrown) {
			sayTrouble(`history of ${document}, ${edit.at}`, thrown);
			return [];
		}
	});
}
