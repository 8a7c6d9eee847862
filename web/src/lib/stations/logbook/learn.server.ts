import { createHash } from 'node:crypto';
import { v7 as newId } from 'uuid';
import { lessonFrom } from './lesson';
import type { LearnedFigure } from './learnedFigures';
import type { GimbalGeometry, GimbalRecordDetail } from '$lib/supports/gimbal/model';
import { holdAlone, inTransaction } from '$lib/server/db/client';
import { changeGear, taughtChanges, type WantedChange } from '$lib/server/db/gearChanges';
import { balancesWith } from '$lib/server/db/log';
import { listParts } from '$lib/server/db/parts';
import { listSupports } from '$lib/server/db/supports';
import { Refusal } from '$lib/server/refusal';

/** The newest balances that a lesson is drawn from. */
const mostBalances = 80;

/** What things are called, by id, and the scales of gimbals, by gimbal and slide. */
type Names = Readonly<Record<string, string>>;

/** What the logbook teaches of this crew's gear today. `mark` names this lesson: another one has another. */
export async function lessonOf(crewId: string, leftOut: readonly string[]) {
	const [records, shelf, rigs, changes] = await Promise.all([
		balancesWith<GimbalRecordDetail>(crewId, 'gimbal', 'all', mostBalances),
		listParts(crewId),
		listSupports<GimbalGeometry>(crewId, 'gimbal'),
		taughtChanges(crewId)
	]);
	const { sheet, figures } = lessonFrom(records, shelf, rigs, { changes, leftOut });
	const said = figures.map(({ subjectId, slideId, proposal, after }) => [subjectId, slideId, proposal.beforeM, after]);
	const mark = createHash('sha256').update(JSON.stringify(said)).digest('hex');
	const scales = rigs.flatMap(({ id, name, geometry }) =>
		geometry.slides.map((slide) => [`${id}.${slide.id}`, `${name}, zero of the ${slide.label.toLowerCase()}’s scale`])
	);
	const names = Object.fromEntries([...[...shelf, ...rigs].map(({ id, name }) => [id, name]), ...scales]) as Names;
	return { sheet, figures, mark, names };
}

/**
 * Takes figures of one lesson over into the gear, all of them or none. Throws `stale` where the logbook or the gear says something else by
 * now than in the lesson that was looked at.
 */
export const takeOver = (
	crewId: string,
	personId: string,
	asked: {
		readonly mark: string;
		readonly take: 'all' | readonly string[];
		readonly leave: readonly string[];
		readonly without: readonly string[];
	}
): Promise<{ taken: number }> =>
	inTransaction(async () => {
		await holdAlone(`lesson ${crewId}`);
		const { figures, mark } = await lessonOf(crewId, asked.without);
		if (mark !== asked.mark)
			throw new Refusal('stale', 'The logbook or the gear has changed since you looked. Here is what it says now.');
		const { take, leave } = asked;
		const wanted = figures.filter(({ proposal: { key } }) =>
			take === 'all' ? !leave.includes(key) : take.includes(key)
		);
		const lessonId = newId();
		for (const figure of wanted) await changeGear(crewId, personId, changeOf(figure), { ...figure.taught, lessonId });
		return { taken: wanted.length };
	});

function changeOf({ about, subjectId, slideId, after, from }: LearnedFigure): WantedChange {
	if (about === 'part' && 'cgFromMiddleM' in after) return { about, partId: subjectId, from, figure: after };
	if (about === 'zero' && 'readingAtZeroM' in after && slideId !== null)
		return { about, supportId: subjectId, slideId, from, figure: after };
	throw new Error(`A lesson's figure is neither a part's centre nor a scale's zero: ${subjectId}.`);
}
