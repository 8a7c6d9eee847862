/** A moment as a logbook has it: weekday, day, month, time; the year only when it is another. */
export function when(iso: string, now = new Date()): string {
	const moment = new Date(iso);
	const options: Intl.DateTimeFormatOptions = {
		weekday: 'short',
		day: 'numeric',
		month: 'short',
		hour: '2-digit',
		minute: '2-digit'
	};
	if (moment.getFullYear() !== now.getFullYear()) options.year = 'numeric';
	return new Intl.DateTimeFormat('en-GB', options).format(moment);
}
