import Joi from 'joi';
import type { ChecklistPaper, PaperKind, PowerPaper } from '$lib/model/paper';
import { counted, id, within } from './quantities';

const words = (label: string, most = 120) =>
	Joi.string()
		.trim()
		.min(1)
		.max(most)
		.pattern(/^\P{Cc}*$/u)
		.required()
		.label(label);
const share = (label: string) => within('share', label);

const power = Joi.object<PowerPaper>({
	sources: Joi.array()
		.items(
			Joi.object({
				id: id(),
				name: words('the battery’s name'),
				capacityWh: within('capacity', 'the capacity in Wh'),
				voltageV: within('voltage', 'the voltage in V'),
				count: counted('howMany', 'how many there are'),
				atOnce: counted('howManyAtOnce', 'how many are worn at once'),
				ageFactor: share('what age has left')
			})
		)
		.max(12)
		.required(),
	taps: Joi.array()
		.items(
			Joi.object({
				id: id(),
				name: words('the tap’s name'),
				sourceId: id(),
				voltageV: within('voltage', 'the tap’s voltage in V'),
				limitA: within('current', 'the tap’s limit in A'),
				efficiency: share('the tap’s efficiency')
			})
		)
		.max(24)
		.required(),
	loads: Joi.array()
		.items(
			Joi.object({
				id: id(),
				name: words('the load’s name'),
				tapId: id(),
				drawW: within('draw', 'the draw in W')
			})
		)
		.max(40)
		.required(),
	marginShare: within('marginShare', 'the margin'),
	jobS: within('job', 'the length of the job in seconds'),
	indicator: Joi.array().items(within('step').less(1)).min(1).max(10).required().label('the steps of the indicator'),
	lit: counted('litSteps', 'the steps that are lit')
}).required();

const stamp = Joi.object({ by: words('who'), at: Joi.string().isoDate().required() });

const checklist = Joi.object<ChecklistPaper>({
	items: Joi.array()
		.items(Joi.object({ id: id(), text: words('the check', 200), ticked: stamp.allow(null).required() }))
		.max(60)
		.required(),
	waived: stamp
		.append({ reason: words('the reason', 300) })
		.allow(null)
		.required()
}).required();

export const paperSchemas: Readonly<Record<PaperKind, Joi.ObjectSchema>> = { power, checklist };
